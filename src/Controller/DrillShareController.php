<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Drills\DrillShelf;
use ZigLane\App\Share\LinkList;
use ZigLane\App\Share\LinkPages;
use ZigLane\App\Share\SharedDrills;
use ZigLane\App\View\DrillDrawing;
use ZigLane\Core\Drills\Drill;
use ZigLane\Core\Drills\Files\DrillFile;
use ZigLane\Core\Drills\Station;
use ZigLane\Core\InvalidInput;

/**
 * Links by which others read a drill and take its file: made, taken back, and the page that stands behind them.
 */
final class DrillShareController extends AbstractController
{
    private const SLUG = '[a-z0-9][a-z0-9-]{0,63}';

    public function __construct(
        private readonly DrillShelf $shelf,
        private readonly SharedDrills $shared,
        private readonly LinkPages $pages,
    ) {}

    #[Route('/drills/{slug}/links', name: 'drill_links', requirements: ['slug' => self::SLUG], methods: ['GET'])]
    public function links(Request $request, string $slug): Response
    {
        return $this->page($request, $slug);
    }

    #[Route('/drills/{slug}/links', name: 'drill_link_make', requirements: ['slug' => self::SLUG], methods: ['POST'])]
    public function make(Request $request, string $slug): Response
    {
        try {
            $this->shared->share($slug, $this->shelf->find($slug), $request->request->getInt('days'));
        } catch (InvalidInput $e) {
            return $this->page($request, $slug, $e->problem);
        }

        return $this->redirectToRoute('drill_links', ['slug' => $slug], Response::HTTP_SEE_OTHER);
    }

    #[Route(
        '/drills/{slug}/links/{share}/take-back',
        name: 'drill_link_take_back',
        requirements: ['slug' => self::SLUG, 'share' => '[0-9]{1,9}'],
        methods: ['POST'],
    )]
    public function takeBack(string $slug, int $share): Response
    {
        $this->shared->takeBack($slug, $share);

        return $this->redirectToRoute('drill_links', ['slug' => $slug], Response::HTTP_SEE_OTHER);
    }

    /** What whoever has the link sees; it changes nothing and leads nowhere else. */
    #[Route('/shared/drills/{token}', name: 'shared_drill', requirements: ['token' => '[0-9a-f]{32}'], methods: ['GET'])]
    public function read(string $token): Response
    {
        $found = $this->shared->find($token);
        [$drill, $until] = $found ?? [null, null];

        return $this->pages->shared(null !== $drill, 'shared_drill.html.twig', [
            'token' => $token,
            'drill' => $drill,
            'until' => $until,
            'drawings' => null === $drill ? [] : self::drawings($drill),
        ]);
    }

    /** The same as a file, to be read in elsewhere. */
    #[Route('/shared/drills/{token}/file', name: 'shared_drill_file', requirements: ['token' => '[0-9a-f]{32}'], methods: ['GET'])]
    public function document(string $token): Response
    {
        [$drill] = $this->shared->find($token) ?? throw $this->createNotFoundException('There is no such link.');
        $text = json_encode(
            DrillFile::write($drill),
            \JSON_THROW_ON_ERROR | \JSON_PRETTY_PRINT | \JSON_UNESCAPED_UNICODE | \JSON_UNESCAPED_SLASHES,
        );

        return new Response("$text\n", headers: [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="drill.json"',
            'Cache-Control' => 'no-store',
        ]);
    }

    /** @return list<DrillDrawing> */
    private static function drawings(Drill $drill): array
    {
        return array_map(static fn(Station $station): DrillDrawing => new DrillDrawing($drill, $station), $drill->stations);
    }

    private function page(Request $request, string $slug, ?string $problem = null): Response
    {
        try {
            $drill = $this->shelf->find($slug);
        } catch (InvalidInput) {
            throw $this->createNotFoundException('This drill is damaged: there is nothing to share.');
        }

        return $this->pages->list($request, new LinkList(
            $drill->name,
            'Whoever has a link sees the drill as it was when the link was made, can take its file, and sees nothing else.',
            $this->generateUrl('drill_link_make', ['slug' => $slug]),
            $this->generateUrl('drill', ['slug' => $slug]),
            array_map(fn(array $link): array => [
                'address' => $this->generateUrl('shared_drill', ['token' => $link['token']]),
                'made' => $link['made'],
                'until' => $link['until'],
                'takeBack' => $this->generateUrl('drill_link_take_back', ['slug' => $slug, 'share' => $link['id']]),
            ], $this->shared->of($slug)),
        ), $problem);
    }
}
