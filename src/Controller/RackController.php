<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\HttpKernel\Attribute\MapQueryParameter;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\String\Slugger\AsciiSlugger;
use ZigLane\App\Plan\PlanDesk;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Rack\KeptPages;
use ZigLane\App\Rack\RackEditor;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\Rack\StaleRack;
use ZigLane\App\View\Units;
use ZigLane\App\View\WorkspaceBuilder;
use ZigLane\App\Work\TaskDesk;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;

/**
 * One rack on the table page. Every change answers with the whole workspace, drawn anew.
 */
#[Route('/racks/{id}', requirements: ['id' => '[0-9]{1,9}'])]
final class RackController extends WorkspaceController
{
    public function __construct(
        RackStore $store,
        WorkspaceBuilder $builder,
        ProfileStore $profiles,
        TaskDesk $desk,
        PlanDesk $plans,
        private readonly RackEditor $editor,
        private readonly KeptPages $pages,
    ) {
        parent::__construct($store, $builder, $profiles, $desk, $plans);
    }

    #[Route('', name: 'rack', methods: ['GET'])]
    public function show(Request $request, int $id, #[MapQueryParameter('leg')] int $chosen = 0): Response
    {
        if ($request->headers->has('HX-Request') || $request->query->has('read') || $request->query->has('plan')) {
            return $this->workspace($request, $id, $chosen);
        }
        $page = $this->pages->page(
            $id,
            $chosen,
            Units::of($request),
            fn(): string => (string) $this->workspace($request, $id, $chosen)->getContent(),
        );

        return new Response($page, headers: ['Vary' => 'HX-Request', 'Cache-Control' => 'no-store']);
    }

    #[Route('/edit', name: 'rack_edit', methods: ['POST'])]
    public function edit(Request $request, int $id): Response
    {
        $chosen = $request->request->getInt('chosen');
        try {
            [$rack, $label, $chosen] = $this->editor->edit($this->find($id)->rack, $request->request, $chosen);
            $this->store->change($id, $this->version($request), $label, $rack);
        } catch (InvalidInput $e) {
            return $this->workspace(
                $request,
                $id,
                $chosen,
                'version' === $e->path ? $e->problem : $e->getMessage(),
                Response::HTTP_UNPROCESSABLE_ENTITY,
            );
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
            'w' => $this->builder->build($open, $chosen, Units::of($request), $rack, keep: false),
            'reading' => null,
            'plan' => null,
            'units' => Units::of($request),
        ]);
    }

    #[Route('/undo', name: 'rack_undo', methods: ['POST'], defaults: ['by' => -1])]
    #[Route('/redo', name: 'rack_redo', methods: ['POST'], defaults: ['by' => 1])]
    public function step(Request $request, int $id, int $by): Response
    {
        $chosen = $request->request->getInt('chosen');
        try {
            $this->store->step($id, $this->version($request), $by);
        } catch (InvalidInput $e) {
            return $this->workspace($request, $id, $chosen, $e->problem, Response::HTTP_UNPROCESSABLE_ENTITY);
        } catch (StaleRack $e) {
            return $this->workspace($request, $id, $chosen, $e->getMessage(), Response::HTTP_CONFLICT);
        }

        return $this->after($request, $id, $chosen);
    }

    #[Route('/duplicate', name: 'rack_duplicate', methods: ['POST'])]
    public function duplicate(Request $request, int $id): Response
    {
        $rack = $this->find($id)->rack;
        try {
            $copy = $this->store->create($rack->named(mb_strimwidth($rack->name, 0, Rack::LONGEST_NAME - 7) . ' (copy)'), 'copy');
        } catch (InvalidInput $e) {
            return $this->workspace($request, $id, 0, $e->problem, Response::HTTP_UNPROCESSABLE_ENTITY);
        }

        return $this->redirectToRoute('rack', ['id' => $copy->id()], Response::HTTP_SEE_OTHER);
    }

    #[Route('/delete', name: 'rack_delete', methods: ['POST'])]
    public function delete(Request $request, int $id): Response
    {
        try {
            $this->store->delete($id, $this->version($request));
        } catch (InvalidInput $e) {
            return $this->workspace($request, $id, 0, $e->problem, Response::HTTP_UNPROCESSABLE_ENTITY);
        } catch (StaleRack $e) {
            return $this->workspace($request, $id, 0, $e->getMessage(), Response::HTTP_CONFLICT);
        }

        return $this->redirectToRoute('racks', ['gone' => $id], Response::HTTP_SEE_OTHER);
    }

    #[Route('/restore', name: 'rack_restore', methods: ['POST'])]
    public function restore(int $id): Response
    {
        $this->store->restore($id);

        return $this->redirectToRoute('racks', [], Response::HTTP_SEE_OTHER);
    }

    /** What is stored of a rack, as it is: for one that cannot be read. */
    #[Route('/stored.txt', name: 'rack_raw', methods: ['GET'])]
    public function raw(int $id): Response
    {
        return new Response($this->store->raw($id) ?? '', 200, [
            'Content-Type' => 'text/plain; charset=UTF-8',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, "rack-$id-as-stored.txt"),
        ]);
    }

    #[Route('/rack.json', name: 'rack_export', methods: ['GET'])]
    public function export(int $id): Response
    {
        $rack = $this->find($id)->rack;
        $file = (new AsciiSlugger())->slug($rack->name)->lower()->truncate(60)->toString() ?: 'rack';

        return new Response(RackFile::text($rack), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, "$file.rack.json"),
        ]);
    }
}
