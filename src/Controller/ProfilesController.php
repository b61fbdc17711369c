<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Entity\Profile;
use ZigLane\App\Profile\ProfileForm;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\View\Units;
use ZigLane\Core\InvalidInput;

/**
 * Tables, cues and players that racks can use: the list, and numbers typed by hand.
 */
#[Route('/profiles')]
final class ProfilesController extends AbstractController
{
    public function __construct(private readonly ProfileStore $store, private readonly ProfileForm $form) {}

    #[Route('', name: 'profiles', methods: ['GET'])]
    public function list(): Response
    {
        $shelves = [];
        $deleted = [];
        foreach (ProfileKind::cases() as $kind) {
            $shelves[$kind->value] = array_map(fn(Profile $p): array => ['profile' => $p, 'says' => $this->form->says($p)], $this->store->all($kind));
            array_push($deleted, ...$this->store->all($kind, deleted: true));
        }

        return $this->render('profiles.html.twig', ['shelves' => $shelves, 'deleted' => $deleted]);
    }

    #[Route('/new/{kind}', name: 'profile_new', methods: ['GET', 'POST'])]
    public function new(Request $request, ProfileKind $kind): Response
    {
        return $this->edit($request, null, $kind);
    }

    #[Route('/{id}', name: 'profile', requirements: ['id' => '\d{1,9}'], methods: ['GET', 'POST'])]
    public function profile(Request $request, int $id): Response
    {
        $profile = $this->find($id);

        return $this->edit($request, $profile, ProfileKind::from($profile->kind()));
    }

    #[Route('/{id}/delete', name: 'profile_delete', requirements: ['id' => '\d{1,9}'], methods: ['POST'])]
    public function delete(int $id): Response
    {
        $this->store->delete($this->find($id));

        return $this->redirectToRoute('profiles', ['_fragment' => 'deleted'], Response::HTTP_SEE_OTHER);
    }

    #[Route('/{id}/restore', name: 'profile_restore', requirements: ['id' => '\d{1,9}'], methods: ['POST'])]
    public function restore(int $id): Response
    {
        $this->store->restore($this->find($id));

        return $this->redirectToRoute('profiles', [], Response::HTTP_SEE_OTHER);
    }

    private function edit(Request $request, ?Profile $profile, ProfileKind $kind): Response
    {
        $values = $this->form->values($kind, $profile);
        $problem = null;
        if ($request->isMethod('POST')) {
            $values = array_map(strval(...), array_filter($request->request->all(), is_scalar(...))) + $values;
            try {
                $this->form->save($kind, $profile, $request->request);

                return $this->redirectToRoute('profiles', [], Response::HTTP_SEE_OTHER);
            } catch (InvalidInput $e) {
                $problem = ucfirst($e->getMessage()) . '.';
            }
        }

        return $this->render('profile.html.twig', [
            'kind' => $kind,
            'profile' => $profile,
            'fields' => $this->form->fields($kind),
            'values' => $values,
            'problem' => $problem,
            'says' => null === $profile ? [] : $this->form->says($profile),
            'measured' => null !== $profile && [] !== $this->store->sheet($profile),
            'units' => Units::of($request),
        ], new Response(status: null === $problem ? Response::HTTP_OK : Response::HTTP_UNPROCESSABLE_ENTITY));
    }

    private function find(int $id): Profile
    {
        return $this->store->find($id) ?? throw $this->createNotFoundException("There is no profile $id.");
    }
}
