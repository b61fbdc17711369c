<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\ORM\EntityManagerInterface;
use Symfony\Bundle\FrameworkBundle\Console\Application;
use Symfony\Bundle\FrameworkBundle\KernelBrowser;
use Symfony\Bundle\FrameworkBundle\Test\WebTestCase;
use Symfony\Component\Console\Tester\CommandTester;
use Symfony\Component\HttpKernel\KernelInterface;
use ZigLane\App\Rack\OpenRack;
use ZigLane\App\Rack\RackStore;
use ZigLane\Core\Rack\Files\JsonText;
use ZigLane\Core\Rack\Files\RackFile;
use ZigLane\Core\Rack\Rack;

/**
 * A test against the real application on a real, emptied MariaDB.
 */
abstract class AppTestCase extends WebTestCase
{
    protected KernelBrowser $browser;

    protected function setUp(): void
    {
        $this->browser = self::createClient(server: ['HTTP_HOST' => '127.0.0.1', 'HTTP_SEC_FETCH_SITE' => 'same-origin']);
        $database = self::service(Connection::class);
        foreach (['shared_drill', 'assignment', 'posed_choice', 'shared_plan', 'table_photo', 'own_drill', 'drill_round', 'plan', 'message', 'task', 'rack_revision', 'rack', 'setting', 'profile', 'attempt', 'play_session', 'upload'] as $table) {
            $database->executeStatement("DELETE FROM $table");
        }
        $database->executeStatement("INSERT INTO setting (name, value) VALUES ('turns', '')");
    }

    /**
     * @template T of object
     *
     * @param class-string<T> $class
     *
     * @return T
     */
    protected static function service(string $class): object
    {
        $service = self::getContainer()->get($class);
        self::assertInstanceOf($class, $service);

        return $service;
    }

    protected function store(): RackStore
    {
        return self::service(RackStore::class);
    }

    /**
     * @param array<string, mixed> $change keys of the document to replace
     */
    protected static function rack(array $change = []): Rack
    {
        $document = $change + [
            'format' => 'zig-lane/rack', 'version' => 1, 'name' => 'Test rack', 'game' => 'nine-ball',
            'balls' => ['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '2' => [6.5, 2.5], '9' => [6.0, 3.1]],
        ];

        return RackFile::read(JsonText::decode(json_encode($document, \JSON_THROW_ON_ERROR)));
    }

    /**
     * @param array<string, mixed> $change
     */
    protected function stored(array $change = []): int
    {
        return $this->store()->create(self::rack($change))->id();
    }

    protected function open(int $id): OpenRack
    {
        self::service(EntityManagerInterface::class)->clear();

        return $this->store()->open($id);
    }

    protected function version(int $id): int
    {
        self::service(EntityManagerInterface::class)->clear();

        return $this->store()->record($id)->version();
    }

    /** A change as a page sends it: with the version it was made on. */
    protected function post(int $id, string $what): void
    {
        $this->browser->request('POST', "/racks/$id/$what", ['version' => $this->version($id)]);
    }

    /** Does what waits for the workers: so many messages. */
    protected static function consume(string $queue = 'plans', int $messages = 1): void
    {
        $command = (new Application(self::service(KernelInterface::class)))->find('messenger:consume');
        (new CommandTester($command))->execute(['receivers' => [$queue], '--limit' => $messages, '--time-limit' => 60, '--sleep' => '0.05']);
    }

    /** Messages that wait, by queue. */
    protected static function waiting(string $queue = 'plans'): int
    {
        $many = self::service(Connection::class)->fetchOne('SELECT COUNT(*) FROM message WHERE queue_name = ?', [$queue]);

        return is_numeric($many) ? (int) $many : -1;
    }

    /**
     * @param array<string, scalar> $form
     */
    protected function edit(int $id, array $form): string
    {
        $this->browser->request('POST', "/racks/$id/edit", $form + ['chosen' => 0, 'version' => $this->version($id)], [], ['HTTP_HX_REQUEST' => 'true']);

        return (string) $this->browser->getResponse()->getContent();
    }

    protected function code(): int
    {
        return $this->browser->getResponse()->getStatusCode();
    }

    /** The answer as a person reads it. */
    protected static function plain(string $html): string
    {
        return html_entity_decode(trim((string) preg_replace('/\s+/', ' ', strip_tags($html))), \ENT_QUOTES);
    }
}
