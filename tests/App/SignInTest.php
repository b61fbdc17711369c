<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Psr\Cache\CacheItemPoolInterface;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\HttpKernel\KernelInterface;
use Symfony\Component\Routing\RouterInterface;
use ZigLane\App\SignIn\Attempts;
use ZigLane\App\SignIn\Passphrase;
use ZigLane\Core\InvalidInput;

/**
 * Over the local network nothing answers without the passphrase; on the machine itself nobody signs in.
 */
final class SignInTest extends AppTestCase
{
    private const LAN = ['ZIG_LANE_LAN' => '1', 'HTTPS' => 'on', 'HTTP_ACCEPT' => 'text/html'];
    private const WORDS = 'a long enough passphrase';

    protected function setUp(): void
    {
        parent::setUp();
        self::service(Passphrase::class)->set(self::WORDS);
        self::service(Attempts::class)->right('127.0.0.1');
        self::service(Attempts::class)->right('all');
    }

    /** Every route that there is, so that a new one is met here too. */
    public function testEveryRouteIsClosedWithoutIt(): void
    {
        $id = $this->stored();
        $asked = 0;
        foreach (self::service(RouterInterface::class)->getRouteCollection() as $name => $route) {
            if (\in_array($name, ['sign_in', 'shared', 'shared_drill', 'shared_drill_file'], true) || str_starts_with($route->getPath(), '/_')) {
                continue;
            }
            $values = ['id' => (string) $id, 'plan' => '1', 'kind' => 'table', 'format' => 'csv', 'key' => 'none-of-them', 'share' => '1'];
            $path = (string) preg_replace_callback('/\{(\w+)\}/', static fn(array $m): string => $values[$m[1]] ?? '1', $route->getPath());
            $path = 'logbook_imported' === $name ? '/logbook/import/' . str_repeat('a', 24) : $path;
            foreach ($route->getMethods() ?: ['GET', 'POST'] as $method) {
                $this->browser->request($method, $path, [], [], self::LAN);
                $to = (string) $this->browser->getResponse()->headers->get('Location');
                self::assertTrue(401 === $this->code() || (\in_array($this->code(), [302, 303], true) && str_ends_with($to, '/sign-in')), "$method $path: {$this->code()} $to");
                ++$asked;
            }
        }
        self::assertGreaterThan(50, $asked);
        self::assertSame('Test rack', $this->open($id)->rack->name);
    }

    public function testThePassphraseOpensAndEveryDeviceCanBeSignedOut(): void
    {
        $this->browser->request('GET', '/logbook', [], [], self::LAN);
        $this->signIn(self::WORDS);
        self::assertStringEndsWith('/logbook', (string) $this->browser->getResponse()->headers->get('Location'));
        $this->browser->request('GET', '/logbook', [], [], self::LAN);
        self::assertSame(200, $this->code());
        self::service(Passphrase::class)->signOutAll();
        $this->browser->request('GET', '/logbook', [], [], self::LAN);
        self::assertSame(303, $this->code());
        $this->signIn(self::WORDS);
        self::service(Passphrase::class)->set('another good passphrase');
        $this->browser->request('GET', '/logbook', [], [], self::LAN);
        self::assertSame(303, $this->code());
    }

    public function testGuessingIsHeldUp(): void
    {
        foreach (range(1, 5) as $try) {
            $this->signIn("guess number $try");
            self::assertStringContainsString('That is not the passphrase', $this->said(), "try $try");
        }
        $this->signIn(self::WORDS);
        self::assertMatchesRegularExpression('/Too many wrong passphrases. Try again in 1[0-5] s/', $this->said());
        // What is known of it is kept, not in the process.
        self::service(CacheItemPoolInterface::class);
        self::service(Attempts::class)->right('127.0.0.1');
        $this->signIn(self::WORDS);
        self::assertStringEndsWith('/', (string) $this->browser->getResponse()->headers->get('Location'));
    }

    public function testOnTheMachineItselfNobodySignsIn(): void
    {
        foreach (['/', '/logbook', '/phone'] as $path) {
            $this->browser->request('GET', $path);
            self::assertSame(200, $this->code());
        }
        $this->browser->request('GET', '/sign-in');
        self::assertStringEndsWith('/', (string) $this->browser->getResponse()->headers->get('Location'));
        // A header does not make it one of the network's.
        $this->browser->request('GET', '/', [], [], ['HTTP_ZIG_LANE_LAN' => '1']);
        self::assertSame(200, $this->code());
    }

    public function testWithoutAPassphraseNobodyGetsIn(): void
    {
        self::service(\Doctrine\DBAL\Connection::class)->executeStatement("DELETE FROM setting WHERE name = 'passphrase'");
        $this->signIn('');
        self::assertStringContainsString('Type the passphrase', $this->said());
        $this->signIn(self::WORDS);
        self::assertStringContainsString('That is not the passphrase', $this->said());
    }

    public function testTheCommandSetsOneAndMakesOne(): void
    {
        $command = (new Application(self::service(KernelInterface::class)))->find('zig-lane:passphrase');
        $tester = new CommandTester($command);
        $tester->execute(['--make' => true, '--if-none' => true]);
        self::assertSame('', $tester->getDisplay());
        $tester->execute(['--make' => true]);
        self::assertMatchesRegularExpression('/The passphrase is ([a-z2-9]{4}-){3}[a-z2-9]{4}\n/', $tester->getDisplay());
        preg_match('/is (\S+)/', $tester->getDisplay(), $made);
        $this->signIn($made[1] ?? '');
        self::assertStringEndsWith('/', (string) $this->browser->getResponse()->headers->get('Location'));
        $this->expectException(InvalidInput::class);
        self::service(Passphrase::class)->set('too short');
    }

    private function signIn(string $words): void
    {
        $this->browser->request('POST', '/sign-in', ['passphrase' => $words], [], self::LAN);
    }

    private function said(): string
    {
        $this->browser->request('GET', '/sign-in', [], [], self::LAN);

        return self::plain((string) $this->browser->getResponse()->getContent());
    }
}
