<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Cookie;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Http\UploadedText;
use ZigLane\App\Rack\RackCard;
use ZigLane\App\Rack\RackEditor;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\View\TableDrawing;
use ZigLane\App\View\Units;
use ZigLane\App\Work\FailedWork;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\Games\GameName;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\BreakAim;
use ZigLane\Core\Rack\BreakStroke;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\FreshRack;
use ZigLane\Core\Rack\Spread;

/**
 * The list of racks, and how new ones come into it.
 */
final class RacksController extends AbstractController
{
    public function __construct(private readonly RackStore $store, private readonly FailedWork $failed) {}

    #[Route('/', name: 'racks', methods: ['GET'])]
    public function list(Request $request): Response
    {
        return $this->page($request);
    }

    #[Route('/racks', name: 'rack_new', methods: ['POST'])]
    public function create(Request $request): Response
    {
        $game = GameName::tryFrom($request->request->getString('game')) ?? GameName::NineBall;
        try {
            $name = RackEditor::name($request->request->getString('name') ?: 'New rack');
        } catch (InvalidInput $e) {
            return $this->page($request, $e->getMessage());
        }
        $record = $this->store->create(Spread::of($game, $name));

        return $this->redirectToRoute('rack', ['id' => $record->id()], Response::HTTP_SEE_OTHER);
    }

    /** A rack as a simulated break leaves it; the same number again gives the same rack. */
    #[Route('/racks/break', name: 'rack_break', methods: ['POST'])]
    public function break(Request $request): Response
    {
        $form = $request->request;
        $game = GameName::tryFrom($form->getString('game')) ?? GameName::NineBall;
        try {
            $number = self::between($form->getString('number'), 'The number of the break', 1, 999_999);
            $speed = self::between($form->getString('speed', (string) BreakStroke::SPEED), 'The cue speed', 4, 12);
            $aside = self::between($form->getString('aside', (string) BreakStroke::ASIDE), 'The cue ball’s place', -1.5, 1.5);
            $aim = BreakAim::tryFrom($form->getString('aim', BreakAim::HeadBall->value)) ?? BreakAim::HeadBall;
            $fresh = FreshRack::broken($game, (int) $number, Player::of(Level::League), stroke: new BreakStroke($speed, $aside, $aim));
            $record = $this->store->create($fresh->rack->withBallInHand(true), 'break');
        } catch (InvalidInput $e) {
            return $this->page($request, $e->problem);
        }
        return $this->redirectToRoute('rack', ['id' => $record->id(), 'plan' => 0], Response::HTTP_SEE_OTHER);
    }

    /** @throws InvalidInput */
    private static function between(string $text, string $what, float $low, float $high): float
    {
        if (!is_numeric($text) || (float) $text < $low || (float) $text > $high) {
            throw new InvalidInput(
                '',
                \sprintf('%s must be a number from %s to %s, not "%s".', $what, $low, $high, mb_strimwidth($text, 0, 20, '…')),
            );
        }

        return (float) $text;
    }

    #[Route('/racks/import', name: 'rack_import', methods: ['POST'])]
    public function import(Request $request): Response
    {
        try {
            $file = UploadedText::of($request, 'file', RackFile::LARGEST_TEXT);
            $record = $this->store->create(RackFile::read(JsonText::decode($file->text)), 'import');
        } catch (InvalidInput $e) {
            $name = UploadedText::nameOf($request, 'file') ?? 'Nothing';

            return $this->page($request, \sprintf('%s was not imported. %s', $name, ucfirst($e->getMessage())));
        }

        return $this->redirectToRoute('rack', ['id' => $record->id()], Response::HTTP_SEE_OTHER);
    }

    #[Route('/units', name: 'units', methods: ['POST'])]
    public function units(Request $request): Response
    {
        $units = Units::tryFrom($request->request->getString('units')) ?? Units::Metric;
        $back = $request->headers->get('Referer');
        $home = $request->getSchemeAndHttpHost() . '/';
        $response = $this->redirect(null !== $back && str_starts_with($back, $home) ? $back : '/', Response::HTTP_SEE_OTHER);
        $response->headers->setCookie(
            Cookie::create(Units::COOKIE, $units->value, '+5 years', secure: false, sameSite: Cookie::SAMESITE_LAX),
        );

        return $response;
    }

    private function page(Request $request, ?string $problem = null): Response
    {
        $deleted = $request->query->getBoolean('deleted');
        [$there, $putAside] = $this->store->counts();
        $all = $deleted ? $putAside : $there;
        $last = max(1, (int) ceil($all / RackStore::PAGE));
        $page = max(1, min($last, $request->query->getInt('page', 1)));
        $cards = $this->store->page($page, $deleted);
        // Tables of one kind are drawn once.
        $tables = [];
        foreach ($cards as $card) {
            if (null !== $card->rack) {
                $tables[self::kindOf($card->rack->table)] ??= new TableDrawing($card->rack->table);
            }
        }

        return $this->render('racks.html.twig', [
            'cards' => $cards,
            'kinds' => array_map(
                static fn(RackCard $card): ?string => null === $card->rack ? null : self::kindOf($card->rack->table),
                $cards,
            ),
            'tables' => $tables,
            'all' => $all,
            'page' => $page,
            'last' => $last,
            'deleted' => $deleted,
            'put_aside' => $deleted ? 0 : $putAside,
            'failed' => $this->failed->count(),
            'just_deleted' => $deleted || 1 !== preg_match(
                '/^[1-9][0-9]{0,8}$/D',
                $request->query->getString('gone'),
            ) ? 0 : $request->query->getInt('gone'),
            'games' => GameName::cases(),
            'fresh' => random_int(1, 9999),
            'problem' => $problem,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }

    /** Tables that look the same have the same one. */
    private static function kindOf(Table $table): string
    {
        return \sprintf('%s-%d-%d', $table->size->value, round(1e4 * $table->cornerMouth), round(1e4 * $table->sideMouth));
    }
}
