<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Entity\Profile;
use ZigLane\App\Http\TooMany;
use ZigLane\App\Logbook\FitPlayer;
use ZigLane\App\Logbook\Logbook;
use ZigLane\App\Logbook\LogbookEdition;
use ZigLane\App\Profile\ProfileForm;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\View\Units;
use ZigLane\App\Work\Answer;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\Experiments\PlayerComparison;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Logbook\Fit\FittedErrors;
use ZigLane\Core\Logbook\Fit\SpeedCheck;
use ZigLane\Core\Logbook\Habits;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Wording\PlayerFitWording;

/**
 * A player's errors as the logbook tells them; used for planning when the player wants that.
 */
#[Route('/logbook/player')]
final class PlayerFitController extends AbstractController
{
    public function __construct(
        private readonly Logbook $logbook,
        private readonly LogbookEdition $edition,
        private readonly TaskDesk $desk,
        private readonly ProfileStore $profiles,
        private readonly ProfileForm $form,
    ) {}

    #[Route('', name: 'logbook_player', methods: ['GET'])]
    public function fit(Request $request): Response
    {
        return $this->page($request);
    }

    /** Plans are made with these numbers from now on: they become a player that racks can choose, or change one of that name. */
    #[Route('', name: 'logbook_player_use', methods: ['POST'])]
    public function use(Request $request): Response
    {
        [$name, $level] = $this->asked($request);
        try {
            $found = $this->ask($name, $level)->value;
            $fitted = \is_array($found) ? $found['fitted'] ?? null : null;
            if (!$fitted instanceof FittedErrors) {
                throw new InvalidInput('', 'The numbers are still being worked out. Try again in a moment.');
            }
            $title = '' === $name ? 'From the logbook' : $name;
            $named = array_filter($this->profiles->all(ProfileKind::Player), static fn(Profile $p): bool => $p->name() === $title);
            $known = array_values($named)[0] ?? null;
            $usual = Player::of($level);
            $before = null === $known ? [] : $this->form->values(ProfileKind::Player, $known);
            $this->form->save(ProfileKind::Player, $known, [
                'name' => $title,
                'aimDeg' => round(rad2deg($fitted->aim[0]), 4),
                'speedPercent' => round(100 * $fitted->speed[0], 2),
                'tipMm' => round(1000 * $fitted->tip[0], 3),
            ] + $before + ['level' => $level->value, 'hand' => $usual->hand->value, 'reachCm' => 100 * $usual->reach]);
        } catch (InvalidInput $e) {
            return $this->page($request, ucfirst(rtrim($e->getMessage(), '.')) . '.');
        } catch (TooMany $e) {
            return $this->page($request, $e->getMessage());
        }

        return $this->redirectToRoute('profiles', [], Response::HTTP_SEE_OTHER);
    }

    private function page(Request $request, ?string $problem = null): Response
    {
        [$name, $level] = $this->asked($request);
        try {
            $answer = $this->ask($name, $level);
        } catch (TooMany $e) {
            $answer = new Answer(null, true, $e->getMessage());
        }
        $found = \is_array($answer->value) ? $answer->value : [];
        $fitted = ($found['fitted'] ?? null) instanceof FittedErrors ? $found['fitted'] : null;
        $habits = ($found['habits'] ?? null) instanceof Habits ? $found['habits'] : null;
        $check = ($found['check'] ?? null) instanceof SpeedCheck ? $found['check'] : null;

        return $this->render('logbook_player.html.twig', [
            'name' => $name,
            'level' => $level,
            'players' => $this->logbook->players(),
            'problem' => $problem ?? $answer->problem,
            'settled' => $answer->settled,
            'fitted' => $fitted,
            'worth' => ($found['worth'] ?? null) instanceof PlayerComparison ? $found['worth'] : null,
            'set' => Player::of($level),
            'biases' => null === $fitted ? [] : [
                ...PlayerFitWording::biases($fitted),
                ...null === $habits ? [] : PlayerFitWording::habits($habits, Units::of($request)->length(...)),
            ],
            'check' => null === $check ? '' : PlayerFitWording::check($check),
            'more' => null === $fitted ? [] : array_map(
                static fn(array $error): string => PlayerFitWording::more($fitted->attempts, $error[0], $error[2]),
                [$fitted->aim, $fitted->speed, $fitted->tip],
            ),
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }

    /**
     * @return Answer<mixed>
     *
     * @throws TooMany
     */
    private function ask(string $name, Level $level): Answer
    {
        return $this->desk->ask(FitPlayer::class, [$name, Player::of($level), $this->edition->name()]);
    }

    /** @return array{string, Level} */
    private function asked(Request $request): array
    {
        $from = $request->isMethod('POST') ? $request->request->all() : $request->query->all();
        $players = $this->logbook->players();
        $name = \is_string($from['player'] ?? null) && \in_array($from['player'], $players, true) ? $from['player'] : $players[0] ?? '';
        $level = \is_string($from['level'] ?? null) ? Level::tryFrom($from['level']) : null;

        return [$name, $level ?? Level::League];
    }
}
