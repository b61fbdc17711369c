<?php

declare(strict_types=1);

namespace ZigLane\App\SignIn;

use Symfony\Component\HttpFoundation\RedirectResponse;
use Symfony\Component\HttpFoundation\Request;
use Symfony\Component\HttpFoundation\Response;
use Symfony\Component\Routing\Generator\UrlGeneratorInterface;
use Symfony\Component\Security\Core\Authentication\Token\TokenInterface;
use Symfony\Component\Security\Core\Exception\AuthenticationException;
use Symfony\Component\Security\Core\Exception\CustomUserMessageAuthenticationException;
use Symfony\Component\Security\Http\Authenticator\AbstractLoginFormAuthenticator;
use Symfony\Component\Security\Http\Authenticator\Passport\Badge\UserBadge;
use Symfony\Component\Security\Http\Authenticator\Passport\Credentials\PasswordCredentials;
use Symfony\Component\Security\Http\Authenticator\Passport\Passport;
use Symfony\Component\Security\Http\SecurityRequestAttributes;
use Symfony\Component\Security\Http\Util\TargetPathTrait;

/**
 * Signs the owner in by the passphrase.
 */
final class PassphraseAuthenticator extends AbstractLoginFormAuthenticator
{
    use TargetPathTrait;

    public function __construct(private readonly UrlGeneratorInterface $urls, private readonly Attempts $attempts) {}

    public function authenticate(Request $request): Passport
    {
        $address = (string) $request->getClientIp();
        $wait = $this->attempts->wait($address);
        if ($wait > 0) {
            throw new CustomUserMessageAuthenticationException(\sprintf('Too many wrong passphrases. Try again in %d s.', $wait));
        }
        $given = $request->request->all()['passphrase'] ?? null;
        if (!\is_string($given) || '' === $given || mb_strlen($given) > Passphrase::MOST) {
            throw new CustomUserMessageAuthenticationException('Type the passphrase.');
        }
        // Counted before it is looked at: many at once do not slip through together.
        $this->attempts->wrong($address);

        return new Passport(new UserBadge(Owner::NAME), new PasswordCredentials(trim($given)));
    }

    public function onAuthenticationSuccess(Request $request, TokenInterface $token, string $firewallName): Response
    {
        $this->attempts->right((string) $request->getClientIp());

        return new RedirectResponse(
            $this->getTargetPath($request->getSession(), $firewallName) ?? $this->urls->generate('racks'),
            Response::HTTP_SEE_OTHER,
        );
    }

    public function onAuthenticationFailure(Request $request, AuthenticationException $exception): Response
    {
        $request->getSession()->set(SecurityRequestAttributes::AUTHENTICATION_ERROR, $exception->getMessageKey());

        return new RedirectResponse($this->getLoginUrl($request), Response::HTTP_SEE_OTHER);
    }

    /** A page leads to the sign-in; what a script asks for is told so. */
    public function start(Request $request, ?AuthenticationException $authException = null): Response
    {
        $asksForPage = $request->isMethodSafe()
            && !$request->headers->has('HX-Request')
            && str_contains($request->headers->get('Accept', ''), 'text/html');

        return $asksForPage
            ? new RedirectResponse($this->getLoginUrl($request), Response::HTTP_SEE_OTHER)
            : new Response('Sign in first.', Response::HTTP_UNAUTHORIZED, ['Content-Type' => 'text/plain; charset=UTF-8']);
    }

    protected function getLoginUrl(Request $request): string
    {
        return $this->urls->generate('sign_in');
    }
}
