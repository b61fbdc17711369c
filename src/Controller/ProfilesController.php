<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Psr\Log\LoggerInterface;
use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\Form\FormFactoryInterface;
use Symfony\Component\HttpFoundation\HeaderUtils;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use ZigLane\App\Entity\Profile;
use ZigLane\App\Form\Complaints;
use ZigLane\App\Form\ProfileType;
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
    public function __construct(
        private readonly ProfileStore $store,
        private readonly ProfileForm $form,
        private readonly LoggerInterface $logger,
        private readonly FormFactoryInterface $forms,
    ) {}

    #[Route('', name: 'profiles', methods: ['GET'])]
    public function list(): Response
    {
        return $this->page();
    }

    private function page(?string $problem = null, int $status = Response::HTTP_OK): Response
    {
        $shelves = [];
        $deleted = [];
        foreach (ProfileKind::cases() as $kind) {
            $shelves[$kind->value] = array_map($this->card(...), $this->store->all($kind));
            array_push($deleted, ...$this->store->all($kind, deleted: true));
        }

        return $this->render(
            'profiles.html.twig',
            ['shelves' => $shelves, 'deleted' => $deleted, 'problem' => $problem],
            new Response(status: $status),
        );
    }

    #[Route('/new/{kind}', name: 'profile_new', methods: ['GET', 'POST'])]
    public function new(Request $request, ProfileKind $kind): Response
    {
        return $this->edit($request, null, $kind);
    }

    #[Route('/{id}', name: 'profile', requirements: ['id' => '[0-9]{1,9}'], methods: ['GET', 'POST'])]
    public function profile(Request $request, int $id): Response
    {
        $profile = $this->find($id);
        $card = $this->card($profile);
        if (null !== $card['damage']) {
            return $this->render('profile_damaged.html.twig', $card, new Response(status: Response::HTTP_UNPROCESSABLE_ENTITY));
        }

        return $this->edit($request, $profile, ProfileKind::from($profile->kind()));
    }

    #[Route('/{id}/delete', name: 'profile_delete', requirements: ['id' => '[0-9]{1,9}'], methods: ['POST'])]
    public function delete(int $id): Response
    {
        $this->store->delete($this->find($id));

        return $this->redirectToRoute('profiles', ['_fragment' => 'deleted'], Response::HTTP_SEE_OTHER);
    }

    #[Route('/{id}/restore', name: 'profile_restore', requirements: ['id' => '[0-9]{1,9}'], methods: ['POST'])]
    public function restore(int $id): Response
    {
        try {
            $this->store->restore($this->find($id));
        } catch (InvalidInput $e) {
            return $this->page(ucfirst($e->getMessage()) . '. Rename that one first.', Response::HTTP_CONFLICT);
        }

        return $this->redirectToRoute('profiles', [], Response::HTTP_SEE_OTHER);
    }

    /** What is stored of a profile, as it is: for one that cannot be read. */
    #[Route('/{id}/stored.txt', name: 'profile_raw', requirements: ['id' => '[0-9]{1,9}'], methods: ['GET'])]
    public function raw(int $id): Response
    {
        return new Response($this->find($id)->document(), 200, [
            'Content-Type' => 'text/plain; charset=UTF-8',
            'Content-Disposition' => HeaderUtils::makeDisposition(HeaderUtils::DISPOSITION_ATTACHMENT, "profile-$id-as-stored.txt"),
        ]);
    }

    /**
     * @return array{profile: Profile, says: list<string>, damage: string|null}
     */
    private function card(Profile $profile): array
    {
        try {
            return ['profile' => $profile, 'says' => $this->form->says($profile), 'damage' => null];
        } catch (InvalidInput|\ValueError $e) {
            $this->logger->error('A stored profile cannot be read.', ['profile' => $profile->id(), 'why' => $e->getMessage()]);

            return ['profile' => $profile, 'says' => [], 'damage' => ucfirst($e->getMessage()) . '.'];
        }
    }

    private function edit(Request $request, ?Profile $profile, ProfileKind $kind): Response
    {
        $form = $this->forms->createNamed('', ProfileType::class, $this->form->values($kind, $profile), [
            'kind' => $kind,
        ]);
        $form->handleRequest($request);
        if ($form->isSubmitted() && $form->isValid()) {
            try {
                $this->form->save($kind, $profile, $form->getData());

                return $this->redirectToRoute('profiles', [], Response::HTTP_SEE_OTHER);
            } catch (InvalidInput $e) {
                Complaints::add($form, $e);
            }
        }

        return $this->render('profile.html.twig', [
            'kind' => $kind,
            'profile' => $profile,
            'form' => $form,
            'problem' => Complaints::sentence($form),
            'says' => null === $profile ? [] : $this->form->says($profile),
            'measured' => null !== $profile && [] !== $this->store->sheet($profile),
            'units' => Units::of($request),
        ]);
    }

    private function find(int $id): Profile
    {
        return $this->store->find($id) ?? throw $this->createNotFoundException("There is no profile $id.");
    }
}
