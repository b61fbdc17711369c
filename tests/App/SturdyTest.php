<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use Doctrine\DBAL\Exception\UniqueConstraintViolationException;
use Doctrine\ORM\EntityManagerInterface;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use Symfony\Component\BrowserKit\Cookie;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZigLane\App\Profile\ProfileKind;
use ZigLane\App\Profile\ProfileStore;
use ZigLane\App\Rack\RackStore;
use ZigLane\App\View\Units;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * What can lie on a table, in a row of the database or in a request breaks no page.
 */
final class SturdyTest extends AppTestCase
{
    /**
     * @return iterable<string, array{array<string, string>}>
     */
    public static function breaksIntoTheJaws(): iterable
    {
        yield 'eight-ball 310' => [['game' => 'eight-ball', 'number' => '310']];
        yield 'ten-ball 412' => [['game' => 'ten-ball', 'number' => '412']];
        yield 'nine-ball 670' => [['game' => 'nine-ball', 'number' => '670']];
        yield 'nine-ball 821, soft and from the side' => [['game' => 'nine-ball', 'number' => '821', 'speed' => '4', 'aside' => '-1.5']];
    }

    /**
     * @param array<string, string> $form
     */
    #[DataProvider('breaksIntoTheJaws')]
    public function testABallThatHangsInTheJawsIsShownReadAndExported(array $form): void
    {
        $this->browser->request('POST', '/racks/break', $form);
        self::assertSame(303, $this->code());
        $id = (int) explode('/', (string) $this->browser->getResponse()->headers->get('Location'))[2];
        $rack = $this->open($id)->rack;
        $beyond = null;
        foreach ($rack->layout->balls as $ball => $place) {
            [$x, $y] = $rack->table->size->diamondsOf($place);
            $beyond ??= $x < 0 || $x > 8 || $y < 0 || $y > 4 ? [$ball, $x, $y] : null;
        }
        self::assertNotNull($beyond, 'a ball lies beyond the nose line');
        foreach (['/', "/racks/$id", "/racks/$id?plan=0", "/racks/$id?read=table", "/racks/$id/rack.json"] as $page) {
            $this->browser->request('GET', $page);
            self::assertSame(200, $this->code(), $page);
        }
        // It can be put there by hand as well, and nudged without being pulled out.
        [$ball, $x, $y] = $beyond;
        $this->edit($id, ['op' => 'type', 'ball' => (string) (0 === $ball ? 'cue' : $ball), 'at' => \sprintf('%.5f, %.5f', $x, $y)]);
        self::assertSame(200, $this->code());
        $this->edit($id, ['op' => 'place', 'ball' => (string) (0 === $ball ? 'cue' : $ball), 'x' => (string) $x, 'y' => (string) $y]);
        self::assertSame(200, $this->code());
        $this->edit($id, ['op' => 'add-leg']);
        self::assertContains($this->code(), [200, 422]);
        $this->post($id, 'delete');
        self::assertSame(303, $this->code());
    }

    /**
     * @return iterable<string, array{string}>
     */
    public static function damages(): iterable
    {
        yield 'an empty object' => ["UPDATE rack_revision SET document = '{}'"];
        yield 'nothing' => ["UPDATE rack_revision SET document = ''"];
        yield 'cut off' => ['UPDATE rack_revision SET document = LEFT(document, 80)'];
        yield 'another version' => ["UPDATE rack_revision SET document = REPLACE(document, '\"version\":1', '\"version\":2')"];
        yield 'not text' => ["UPDATE rack_revision SET document = REPLACE(document, 'zig-lane', '\\0\\0')"];
        yield 'the present state missing' => ['UPDATE rack SET present = 99'];
        yield 'a drawing that cannot be read' => ["UPDATE rack_revision SET drawing = '{]'"];
    }

    #[DataProvider('damages')]
    public function testADamagedRackTakesNothingElseDown(string $sql): void
    {
        $id = $this->stored(['name' => 'The damaged one']);
        self::service(Connection::class)->executeStatement($sql);
        self::service(EntityManagerInterface::class)->clear();
        $good = $this->stored(['name' => 'The good one']);
        $this->browser->request('GET', '/');
        self::assertSame(200, $this->code());
        $list = self::plain((string) $this->browser->getResponse()->getContent());
        self::assertStringContainsString('The damaged one', $list);
        self::assertStringContainsString('The good one', $list);
        $this->browser->request('GET', "/racks/$good");
        self::assertSame(200, $this->code());
        foreach (['', '?leg=1', '?read=table', '?plan=0', '/card?leg=1', '/rack.json', '/plans', '/routes?leg=1', '/zone?ball=1&pocket=side-left', '/from?x=1&y=1'] as $page) {
            $this->browser->request('GET', "/racks/$id$page");
            self::assertLessThan(500, $this->code(), $page);
        }
        foreach (['duplicate', 'undo', 'edit', 'plans'] as $what) {
            $this->post($id, $what);
            self::assertLessThan(500, $this->code(), $what);
        }
        $this->browser->request('GET', "/racks/$id/stored.txt");
        self::assertSame(200, $this->code());
        $this->post($id, 'delete');
        self::assertSame(303, $this->code());
        self::assertSame(1, $this->store()->counts()[1]);
    }

    public function testADamagedRackSaysSoAndItsTextCanBeSaved(): void
    {
        $id = $this->stored(['name' => 'The damaged one']);
        self::service(Connection::class)->executeStatement("UPDATE rack_revision SET document = '{\"half\": 1'");
        self::service(EntityManagerInterface::class)->clear();
        $this->browser->request('GET', '/');
        self::assertStringContainsString('Damaged: Not valid JSON at line 1', self::plain((string) $this->browser->getResponse()->getContent()));
        $this->browser->request('GET', "/racks/$id");
        self::assertSame(422, $this->code());
        self::assertStringContainsString('The damaged one is damaged', self::plain((string) $this->browser->getResponse()->getContent()));
        $this->browser->clickLink('Save its text');
        self::assertSame('{"half": 1', $this->browser->getResponse()->getContent());
    }

    public function testADamagedProfileTakesNothingElseDown(): void
    {
        foreach (['table' => 'Good table', 'cue' => 'Good cue'] as $kind => $name) {
            self::service(Connection::class)->executeStatement('INSERT INTO profile (kind, name, taken, document, updated_at) VALUES (?, ?, ?, ?, NOW())', [$kind, $name, $name, '{}']);
        }
        foreach (['{]', '{"player": 7}', ''] as $n => $document) {
            self::service(Connection::class)->executeStatement("INSERT INTO profile (kind, name, taken, document, updated_at) VALUES ('player', ?, ?, ?, NOW())", ["Bad $n", "Bad $n", $document]);
        }
        $this->browser->request('GET', '/profiles');
        self::assertSame(200, $this->code());
        $page = self::plain((string) $this->browser->getResponse()->getContent());
        self::assertStringContainsString('Good table', $page);
        self::assertSame(3, substr_count($page, 'Damaged:'));
        $bad = self::service(Connection::class)->fetchOne("SELECT id FROM profile WHERE name = 'Bad 0'");
        self::assertIsInt($bad);
        $this->browser->request('GET', "/profiles/$bad");
        self::assertSame(422, $this->code());
        $this->browser->request('GET', "/measure?from=$bad");
        self::assertSame(200, $this->code());
        $this->edit($this->stored(), ['op' => 'equip', 'kind' => 'player', 'profile' => $bad]);
        self::assertSame(422, $this->code());
        $this->browser->request('GET', "/profiles/$bad/stored.txt");
        self::assertSame('{]', $this->browser->getResponse()->getContent());
        $this->browser->request('POST', "/profiles/$bad/delete");
        self::assertSame(303, $this->code());
    }

    public function testADamagedPlanSaysSo(): void
    {
        $id = $this->stored();
        $this->browser->request('POST', "/racks/$id/plans");
        foreach (['result' => '{]', 'document' => '{}', 'pins' => ''] as $column => $value) {
            self::service(Connection::class)->executeStatement("UPDATE plan SET state = 'done', $column = ?", [$value]);
            $this->browser->request('GET', "/racks/$id?plan=0");
            self::assertSame(200, $this->code(), $column);
            self::assertStringContainsString('What is stored of this plan cannot be read.', (string) $this->browser->getResponse()->getContent());
            $this->browser->request('GET', "/racks/$id/plans");
            self::assertSame(200, $this->code(), $column);
        }
        // To plan again plans anew: what cannot be read is no answer.
        $plans = static fn(): mixed => self::service(Connection::class)->fetchOne('SELECT COUNT(*) FROM plan WHERE rack_id = ?', [$id]);
        self::assertSame(1, $plans());
        $this->browser->request('POST', "/racks/$id/plans");
        self::assertSame(2, $plans());
    }

    public function testRequestsThatOnceBrokeAPage(): void
    {
        $id = $this->stored();
        foreach (["/racks/\u{0661}", "/racks/\u{0661}/rack.json", "/profiles/\u{0967}", '/racks/999999999'] as $path) {
            $this->browser->request('GET', '/' . implode('/', array_map(rawurlencode(...), explode('/', ltrim($path, '/')))));
            self::assertSame(404, $this->code(), $path);
        }
        $html = $this->edit($id, ['op' => 'table', 'size' => '9ft', 'side' => '5', 'corner' => '1.7976931348623157e308']);
        self::assertSame(422, $this->code());
        self::assertStringContainsString('corner: 1.7976931348623157e308 is too large a number', self::plain($html));
        $this->import('{"format":"zig-lane/rack","version":1,"game":"nine-ball","balls":{"cue":[2,2]},"foo":1e400}');
        self::assertSame(422, $this->code());
        self::assertStringContainsString('Foo: 1e400 is too large a number', self::plain((string) $this->browser->getResponse()->getContent()));
        $this->browser->request('POST', '/racks/break', ['game' => 'nine-ball', 'number' => '5', 'speed' => '12']);
        self::assertSame(303, $this->code());
    }

    public function testAChangeWithoutAVersionIsRefused(): void
    {
        $id = $this->stored(['name' => 'Before']);
        foreach ([[], ['version' => ''], ['version' => 'x']] as $version) {
            foreach (['edit' => ['op' => 'rename', 'name' => 'After'], 'undo' => [], 'redo' => [], 'delete' => []] as $what => $form) {
                $this->browser->request('POST', "/racks/$id/$what", $form + $version);
                self::assertSame(422, $this->code(), $what);
                self::assertStringContainsString('must say on which version', (string) $this->browser->getResponse()->getContent());
            }
        }
        self::assertSame('Before', $this->open($id)->rack->name);
        $this->browser->request('POST', "/racks/$id/delete", ['version' => $this->version($id) - 1]);
        self::assertSame(409, $this->code());
        self::assertSame(1, $this->store()->counts()[0]);
    }

    public function testADeletedRackIsNeitherOpenedNorChanged(): void
    {
        $id = $this->stored(['name' => 'Gone for now']);
        $version = $this->version($id);
        $this->post($id, 'delete');
        $this->browser->request('GET', "/racks/$id");
        self::assertSame(410, $this->code());
        self::assertStringContainsString('Gone for now was deleted', self::plain((string) $this->browser->getResponse()->getContent()));
        foreach ([$version, $version + 1] as $v) {
            $this->browser->request('POST', "/racks/$id/edit", ['op' => 'rename', 'name' => 'Changed', 'version' => $v]);
            self::assertSame(410, $this->code());
        }
        $this->browser->request('POST', "/racks/$id/restore");
        self::assertSame('Gone for now', $this->open($id)->rack->name);
    }

    public function testDeletedRacksGoForGoodAfterThirtyDays(): void
    {
        [$old, $young] = [$this->stored(), $this->stored()];
        $this->post($old, 'delete');
        $this->post($young, 'delete');
        self::service(Connection::class)->executeStatement('UPDATE rack SET deleted_at = NOW() - INTERVAL 31 DAY WHERE id = ?', [$old]);
        self::assertSame(1, $this->store()->purge(new \DateTimeImmutable()));
        self::assertSame(1, $this->store()->counts()[1]);
    }

    public function testTheDatabaseHoldsThatANameOfAProfileIsUsedOnce(): void
    {
        $insert = static fn(string $name): int|string => self::service(Connection::class)->executeStatement(
            "INSERT INTO profile (kind, name, taken, document, updated_at) VALUES ('cue', ?, ?, '{}', NOW())",
            [$name, $name],
        );
        $insert('Club cue');
        $this->expectException(UniqueConstraintViolationException::class);
        $insert('CLUB CUE');
    }

    /** What was taken in is given out in a form that is taken in again. */
    public function testWhatIsExportedCanBeImported(): void
    {
        $dense = str_repeat('[', 25) . implode(',', array_fill(0, 30_000, 1)) . str_repeat(']', 25);
        $this->import('{"format":"zig-lane/rack","version":1,"name":"dense","game":"nine-ball","balls":{"cue":[2,2]},"foo":' . $dense . '}');
        self::assertSame(303, $this->code());
        $id = (int) explode('/', (string) $this->browser->getResponse()->headers->get('Location'))[2];
        $this->browser->request('GET', "/racks/$id/rack.json");
        $text = (string) $this->browser->getResponse()->getContent();
        self::assertLessThanOrEqual(RackFile::LARGEST_TEXT, \strlen($text));
        $this->import($text);
        self::assertSame(303, $this->code());
        self::assertEquals($this->store()->page()[0]->rack, $this->open($id)->rack);
    }

    public function testARackThatIsTooLargeForItsFileIsNotStored(): void
    {
        $id = $this->stored(['foo' => str_repeat('x', RackFile::LARGEST - 700)]);
        for ($n = 0; $n < 8; ++$n) {
            $html = $this->edit($id, ['op' => 'add-leg']);
            if (422 === $this->code()) {
                break;
            }
        }
        self::assertStringContainsString('The rack would have a file of', self::plain($html));
        $this->browser->request('GET', "/racks/$id");
        self::assertSame(200, $this->code());
    }

    /** A thousand racks: one query, one page of 24, under 100 kB. */
    public function testTheListStaysSmall(): void
    {
        $complete = RackFile::read(json_decode((string) file_get_contents(\dirname(__DIR__, 2) . '/demo/1-nine-legs-home.rack.json'), false, 64, \JSON_THROW_ON_ERROR));
        for ($n = 0; $n < 30; ++$n) {
            $this->store()->create($complete->named("Rack $n"));
        }
        $database = self::service(Connection::class);
        $before = self::statements($database);
        $this->browser->request('GET', '/');
        $html = (string) $this->browser->getResponse()->getContent();
        self::assertSame(RackStore::PAGE, substr_count($html, 'class="rackcard"'));
        self::assertLessThan(100_000, \strlen($html));
        self::assertLessThanOrEqual(4, self::statements($database) - $before, 'the page, the counts of racks and of what failed, and asking for this number');
        $this->browser->request('GET', '/?page=2');
        self::assertSame(6, substr_count((string) $this->browser->getResponse()->getContent(), 'class="rackcard"'));
    }

    /** Found by the fuzzer: a number that no rack can have, in the address of the list. */
    public function testNumbersInTheListsAddressAreTakenOrLeft(): void
    {
        foreach (['gone=-2147483649', 'gone=9999999999', 'gone=x', 'gone[]=1', 'page=-3', 'page=99999999999'] as $query) {
            $this->browser->request('GET', "/?$query");
            self::assertContains($this->code(), [200, 400], $query);
        }
    }

    #[TestWith(['/drills?gone[]=1'])]
    #[TestWith(['/drills/dead-stop/sheet?of[]=1'])]
    public function testAFieldThatIsNoTextIsRefusedWhereATemplateReadsIt(string $address): void
    {
        $this->browser->request('GET', $address);
        self::assertSame(400, $this->code());
    }

    /** A rack that many look at is drawn once, until anything it shows changes. */
    public function testARackPageIsKeptUntilSomethingChanges(): void
    {
        $id = $this->stored(['legs' => [['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 2.0]]]]);
        $page = function () use ($id): string {
            self::service(EntityManagerInterface::class)->clear();
            $this->browser->request('GET', "/racks/$id");

            return (string) $this->browser->getResponse()->getContent();
        };
        $first = $page();
        $database = self::service(Connection::class);
        $before = self::statements($database);
        self::assertSame($first, $page());
        self::assertLessThanOrEqual(2, self::statements($database) - $before, 'whether it is the same, and asking for this number');
        $this->edit($id, ['op' => 'rename', 'name' => 'Another name']);
        self::assertStringContainsString('Another name', $page());
        $this->post($id, 'undo');
        self::assertStringNotContainsString('Another name', strip_tags($page()));
        self::service(ProfileStore::class)->save(null, ProfileKind::Table, 'By the window', ['table' => ['size' => '9ft']]);
        self::assertStringContainsString('By the window', $page());
        $this->browser->getCookieJar()->set(new Cookie(Units::COOKIE, Units::Imperial->value));
        self::assertNotSame($first, $page());
        $database->executeStatement("UPDATE rack_revision SET document = '{}' WHERE rack_id = ?", [$id]);
        self::assertStringContainsString('damaged', strtolower($page()));
    }

    public function testAFailureHasANumberOnItsPage(): void
    {
        $this->browser->request('GET', '/racks/123456');
        self::assertMatchesRegularExpression('/^[0-9a-f]{10}$/', (string) $this->browser->getResponse()->headers->get('X-Request-Id'));
    }

    private function import(string $text): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'rack');
        file_put_contents($file, $text);
        $this->browser->request('POST', '/racks/import', [], ['file' => new UploadedFile($file, 'my.json', test: true)]);
        @unlink($file);
    }

    /** SELECT statements that this connection has asked. */
    private static function statements(Connection $database): int
    {
        $row = $database->fetchAssociative("SHOW SESSION STATUS LIKE 'Com_select'");

        return false !== $row && is_numeric($row['Value']) ? (int) $row['Value'] : 0;
    }
}
