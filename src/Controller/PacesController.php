<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Paces;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\View\PaceRow;
use ZigLane\App\View\Units;
use ZigLane\Core\Equipment\Table;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Wording\SpeedScale;

/**
 * The club's own names of paces, and what each is on a table.
 */
#[Route('/paces')]
final class PacesController extends AbstractController
{
    public function __construct(private readonly Paces $paces, private readonly ProfileStore $profiles) {}

    #[Route('', name: 'paces', methods: ['GET'])]
    public function page(Request $request): Response
    {
        return $this->show($request, $this->paces->scale());
    }

    /** Keeps what the form says; the usual ones again where it says so. */
    #[Route('', name: 'paces_keep', methods: ['POST'])]
    public function keep(Request $request): Response
    {
        $form = $request->request->all();
        if (isset($form['usual'])) {
            $this->paces->keep(null);

            return $this->redirectToRoute('paces', [], Response::HTTP_SEE_OTHER);
        }
        $rows = \is_array($form['pace'] ?? null) ? array_values($form['pace']) : [];
        try {
            $this->paces->keep(self::read($rows));
        } catch (InvalidInput $e) {
            return $this->show($request, $this->paces->scale(), ucfirst($e->problem) . '.', $rows);
        }

        return $this->redirectToRoute('paces', ['kept' => 1], Response::HTTP_SEE_OTHER);
    }

    /**
     * @param list<mixed> $rows name and lengths; empty ones are left out
     *
     * @throws InvalidInput
     */
    private static function read(array $rows): SpeedScale
    {
        $names = [];
        foreach ($rows as $row) {
            $text = static fn(string $key): string => \is_array($row) && \is_string($row[$key] ?? null) ? trim(mb_scrub($row[$key])) : '';
            [$name, $lengths] = [$text('name'), str_replace(',', '.', $text('lengths'))];
            if ('' === $name && '' === $lengths) {
                continue;
            }
            if (!is_numeric($lengths) || !is_finite((float) $lengths)) {
                throw new InvalidInput('', \sprintf('"%s" has no lengths: write a number', mb_strimwidth($name, 0, 30, '…')));
            }
            if (isset($names[$name])) {
                throw new InvalidInput('', \sprintf('"%s" stands there twice', $name));
            }
            $names[$name] = (float) $lengths;
        }
        if ([] === $names) {
            throw new InvalidInput('', 'there is no pace');
        }

        return new SpeedScale($names);
    }

    /** @param list<mixed>|null $given what was typed, when it was refused */
    private function show(Request $request, SpeedScale $scale, ?string $problem = null, ?array $given = null): Response
    {
        $asked = $this->profiles->find($request->query->getInt('table'));
        try {
            $table = null !== $asked && ProfileKind::Table->value === $asked->kind() ? $this->profiles->table($asked) : new Table();
        } catch (InvalidInput) {
            // A damaged profile.
            [$asked, $table] = [null, new Table()];
        }
        $rows = [];
        foreach ($scale->names as $name => $lengths) {
            $rows[] = ['name' => $name, 'lengths' => (string) $lengths];
        }

        return $this->render('paces.html.twig', [
            'rows' => $given ?? $rows,
            'most' => SpeedScale::MOST,
            'paces' => PaceRow::all($scale, $table),
            'tables' => $this->profiles->all(ProfileKind::Table),
            'asked' => $asked?->id(),
            'own' => SpeedScale::USUAL !== $scale->names,
            'units' => Units::of($request),
            'problem' => $problem,
        ], new Response(
            status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY,
            headers: ['Cache-Control' => 'no-store'],
        ));
    }
}
