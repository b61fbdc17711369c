<?php

declare(strict_types=1);

namespace ZigLane\App\Controller;

use Symfony\Bundle\FrameworkBundle\Controller\AbstractController;
use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Attribute\Route;
use Symfony\Component\Security\Http\SecurityRequestAttributes;
use ZigLane\App\SignIn\FromLan;
use ZigLane\App\SignIn\Passphrase;

/**
 * Signing in over the local network, and the page that tells how a phone gets there.
 */
final class SignInController extends AbstractController
{
    /** What bin/zig-lane start --lan leaves for this page. */
    private const ADDRESS = 'address';
    private const CODE = 'code.svg';
    private const AUTHORITY = 'authority/rootCA.pem';

    public function __construct(
        private readonly Passphrase $passphrase,
        private readonly FromLan $fromLan,
        #[Autowire('%kernel.cache_dir%/../../lan')]
        private readonly string $folder,
    ) {}

    #[Route('/sign-in', name: 'sign_in', methods: ['GET', 'POST'])]
    public function signIn(Request $request): Response
    {
        // The POST is the authenticator's; on this machine there is nothing to sign in to.
        if (!$this->fromLan->matches($request) || null !== $this->getUser()) {
            return $this->redirectToRoute('racks', [], Response::HTTP_SEE_OTHER);
        }
        $problem = $request->hasSession() ? $request->getSession()->remove(SecurityRequestAttributes::AUTHENTICATION_ERROR) : null;
        $known = ['Bad credentials.' => 'That is not the passphrase.', 'Invalid credentials.' => 'That is not the passphrase.'];

        return $this->render('sign_in.html.twig', [
            'problem' => \is_string($problem) ? $known[$problem] ?? $problem : null,
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    #[Route('/sign-out', name: 'sign_out', methods: ['POST'])]
    public function signOut(): Response
    {
        return $this->redirectToRoute('racks', [], Response::HTTP_SEE_OTHER);
    }

    #[Route('/sign-out-all', name: 'sign_out_all', methods: ['POST'])]
    public function signOutAll(): Response
    {
        $this->passphrase->signOutAll();

        return $this->redirectToRoute('phone', ['out' => 1], Response::HTTP_SEE_OTHER);
    }

    /** How a phone reaches this machine and comes to trust it. */
    #[Route('/phone', name: 'phone', methods: ['GET'])]
    public function phone(Request $request): Response
    {
        $file = "$this->folder/" . self::ADDRESS;

        return $this->render('phone.html.twig', [
            'address' => is_file($file) ? trim((string) file_get_contents($file)) : null,
            'lan' => $this->fromLan->matches($request),
            'out' => $request->query->has('out'),
        ], new Response(headers: ['Cache-Control' => 'no-store']));
    }

    #[Route('/phone/code', name: 'phone_code', methods: ['GET'])]
    public function code(): Response
    {
        return $this->sent(self::CODE, 'image/svg+xml');
    }

    /** The authority that made this machine's certificate, for a phone to trust; its key never leaves the machine. */
    #[Route('/phone/zig-lane-authority.pem', name: 'phone_authority', methods: ['GET'])]
    public function authority(): Response
    {
        return $this->sent(self::AUTHORITY, 'application/x-x509-ca-cert');
    }

    private function sent(string $name, string $type): Response
    {
        $file = "$this->folder/$name";
        if (!is_file($file)) {
            throw $this->createNotFoundException('Start with bin/zig-lane start --lan first.');
        }

        return new BinaryFileResponse($file, headers: ['Content-Type' => $type, 'Cache-Control' => 'no-store'], public: false);
    }
}
