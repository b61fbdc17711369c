<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\String\Slugger\AsciiSlugger;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackEditor;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Rack\StaleRack;
use ZigLane\App\Reading\Look;
use ZigLane\App\Reading\ReadingDesk;
use ZigLane\App\View\ReadingView;
use ZigLane\App\View\Units;
use ZigLane\App\View\WorkspaceBuilder;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Rack;

/**
 * One rack on the table page. Every change answers with the whole workspace, drawn anew.
 */
#[Route('/racks/{id}', requirements: ['id' => '\d{1,9}'])]
final class RackController extends AbstractController
{
    public function __construct(
        private readonly RackStore $store,
        private readonly RackEditor $editor,
        private readonly WorkspaceBuilder $builder,
        private readonly ProfileStore $profiles,
        private readonly ReadingDesk $desk,
    ) {}

    #[Route('', name: 'rack', methods: ['GET'])]
    public function show(Request $request, int $id): Response
    {
        return $this->workspace($request, $id, $request->query->getInt('leg'));
    }

    #[Route('/edit', name: 'rack_edit', methods: ['POST'])]
    public function edit(Request $request, int $id): Response
    {
        $chosen = $request->request->getInt('chosen');
        try {
            [$rack, $label, $chosen] = $this->editor->edit($this->find($id)->rack, $request->request, $chosen);
            $this->store->change($id, $this->version($request), $label, $rack);
        } catch (InvalidInput $e) {
            return $this->workspace($request, $id, $chosen, $e->getMessage(), Response::HTTP_UNPROCESSABLE_ENTITY);
        } catch (StaleRack $e) {
            return $this->workspace($request, $id, $chosen, $e->getMessage(), Response::HTTP_CONFLICT);
        }

        return $this->after($request, $id, $chosen);
    }

    /** What a leg would do with other values; stores nothing. */
    #[Route('/try', name: 'rack_try', methods: ['POST'])]
    public function try(Request $request, int $id): Response
    {
        $open = $this->find($id);
        try {
            [$rack, , $chosen] = $this->editor->setLeg($open->rack, $request->request);
        } catch (InvalidInput $e) {
            return new Response($e->getMessage(), Response::HTTP_UNPROCESSABLE_ENTITY, ['Content-Type' => 'text/plain; charset=UTF-8']);
        }

        return $this->render('try.html.twig', [
            'w' => $this->builder->build($open, $chosen, Units::of($request), $rack),
            'reading' => null,
            'units' => Units::of($request),
        ]);
    }

    #[Route('/undo', name: 'rack_undo', methods: ['POST'], defaults: ['by' => -1])]
    #[Route('/redo', name: 'rack_redo', methods: ['POST'], defaults: ['by' => 1])]
    public function step(Request $request, int $id, int $by): Response
    {
        $chosen = $request->request->getInt('chosen');
        $this->find($id);
        try {
            $this->store->step($id, $this->version($request), $by);
        } catch (StaleRack $e) {
            return $this->workspace($request, $id, $chosen, $e->getMessage(), Response::HTTP_CONFLICT);
        }

        return $this->after($request, $id, $chosen);
    }

    #[Route('/duplicate', name: 'rack_duplicate', methods: ['POST'])]
    public function duplicate(int $id): Response
    {
        $rack = $this->find($id)->rack;
        $copy = $this->store->create($rack->named(mb_strimwidth($rack->name, 0, Rack::LONGEST_NAME - 7) . ' (copy)'), 'copy');

        return $this->redirectToRoute('rack', ['id' => $copy->id()], Response::HTTP_SEE_OTHER);
    }

    #[Route('/delete', name: 'rack_delete', methods: ['POST'])]
    public function delete(int $id): Response
    {
        $this->find($id);
        $this->store->delete($id);

        return $this->redirectToRoute('racks', ['deleted' => $id, '_fragment' => 'deleted'], Response::HTTP_SEE_OTHER);
    }

    #[Route('/restore', name: 'rack_restore', methods: ['POST'])]
    public function restore(int $id): Response
    {
        $this->find($id);
        $this->store->restore($id);

        return $this->redirectToRoute('racks', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/rack.json', name: 'rack_export', methods: ['GET'])]
    public function export(int $id): Response
    {
        $rack = $this->find($id)->rack;
        $file = (new AsciiSlugger())->slug($rack->name)->lower()->truncate(60)->toString() ?: 'rack';

        return new Response(RackStore::encode($rack, \JSON_PRETTY_PRINT) . "\n", 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, "$file.rack.json"),
        ]);
    }

    private function find(int $id): OpenRack
    {
        return $this->store->find($id) ?? throw $this->createNotFoundException("There is no rack $id.");
    }

    private function version(Request $request): ?int
    {
        return $request->request->has('version') ? $request->request->getInt('version') : null;
    }

    /** Without htmx a change ends in an ordinary page again. */
    private function after(Request $request, int $id, int $chosen): Response
    {
        return $request->headers->has('HX-Request')
            ? $this->workspace($request, $id, $chosen)
            : $this->redirectToRoute('rack', self::address($id, $chosen, self::look($request)), Response::HTTP_SEE_OTHER);
    }

    private static function look(Request $request): ?Look
    {
        return Look::of($request->isMethod('POST') ? $request->request : $request->query);
    }

    /**
     * @return array<string, int|string>
     */
    private static function address(int $id, int $chosen, ?Look $look): array
    {
        return ['id' => $id] + (0 === $chosen ? [] : ['leg' => $chosen]) + (null === $look ? [] : ['read' => $look->text()]);
    }

    private function workspace(Request $request, int $id, int $chosen, ?string $problem = null, int $status = Response::HTTP_OK): Response
    {
        $units = Units::of($request);
        $w = $this->builder->build($this->find($id), $chosen, $units);
        $look = self::look($request);
        $reading = null;
        if (null !== $look) {
            $at = $w->rack->withLayout($w->shown);
            $reading = new ReadingView($at, $this->desk->read($at, $id), $look);
        }
        $response = $this->render($request->headers->has('HX-Request') ? 'workspace.html.twig' : 'rack.html.twig', [
            'w' => $w,
            'reading' => $reading,
            'units' => $units,
            'problem' => $problem,
            'profiles' => 0 === $w->chosen ? $this->profiles->names() : [],
        ], new Response(status: $status));
        $response->headers->set('Vary', 'HX-Request');
        $response->headers->set('Cache-Control', 'no-store');
        if ($request->headers->has('HX-Request')) {
            $response->headers->set('HX-Replace-Url', $this->generateUrl('rack', self::address($id, $w->chosen, $look)));
        }

        return $response;
    }
}
