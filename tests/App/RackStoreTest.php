<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use ZigLane\App\Rack\StaleRack;

final class RackStoreTest extends AppTestCase
{
    public function testWhatIsStoredIsThereAgain(): void
    {
        $id = $this->stored(['name' => 'Übung „Größe“', 'coach' => ['note' => 'kept']]);
        $rack = $this->open($id)->rack;
        self::assertSame('Übung „Größe“', $rack->name);
        self::assertEquals(['' => ['coach' => (object) ['note' => 'kept']]], $rack->unknown);
        self::assertSame([2.0, 2.0], $rack->table->size->diamondsOf($rack->layout->ball(0)));
    }

    public function testUndoAndRedoWalkThroughEveryState(): void
    {
        $id = $this->stored(['name' => 'A']);
        foreach (['B', 'C'] as $name) {
            $this->store()->change($id, $this->version($id), "name it $name", $this->open($id)->rack->named($name));
        }
        self::assertSame('name it C', $this->open($id)->undo);
        self::assertNull($this->open($id)->redo);
        self::assertTrue($this->store()->step($id, $this->version($id), -1));
        self::assertSame(['B', 'name it B', 'name it C'], [$this->open($id)->rack->name, $this->open($id)->undo, $this->open($id)->redo]);
        self::assertTrue($this->store()->step($id, $this->version($id), -1));
        self::assertFalse($this->store()->step($id, $this->version($id), -1), 'there is nothing before the first');
        self::assertSame('A', $this->open($id)->rack->name);
        self::assertTrue($this->store()->step($id, $this->version($id), 1));
        self::assertSame('B', $this->open($id)->rack->name);
    }

    public function testANewChangeEndsWhatCouldBeRedone(): void
    {
        $id = $this->stored(['name' => 'A']);
        $this->store()->change($id, $this->version($id), 'B', $this->open($id)->rack->named('B'));
        $this->store()->step($id, $this->version($id), -1);
        $this->store()->change($id, $this->version($id), 'C', $this->open($id)->rack->named('C'));
        self::assertSame(['C', null], [$this->open($id)->rack->name, $this->open($id)->redo]);
        $this->store()->step($id, $this->version($id), -1);
        self::assertSame('A', $this->open($id)->rack->name);
    }

    public function testTwoWindowsDoNotOverwriteEachOther(): void
    {
        $id = $this->stored();
        $version = $this->open($id)->record->version();
        $this->store()->change($id, $version, 'first window', $this->open($id)->rack->named('First'));
        try {
            $this->store()->change($id, $version, 'second window', $this->open($id)->rack->named('Second'));
            self::fail('The second change should have been refused.');
        } catch (StaleRack) {
            self::assertSame('First', $this->open($id)->rack->name);
        }
    }

    public function testADeletedRackCanBePutBack(): void
    {
        $id = $this->stored();
        $this->post($id, 'delete');
        self::assertSame(303, $this->code());
        self::assertSame([0, 1], $this->store()->counts());
        $this->browser->followRedirect();
        self::assertStringContainsString('Put it back', (string) $this->browser->getResponse()->getContent());
        $this->browser->request('GET', '/?deleted=1');
        self::assertStringContainsString('Put back', (string) $this->browser->getResponse()->getContent());
        $this->browser->request('POST', "/racks/$id/restore");
        self::assertSame([1, 0], $this->store()->counts());
    }

    public function testADuplicateIsARackOfItsOwn(): void
    {
        $id = $this->stored(['name' => str_repeat('n', 120)]);
        $this->browser->request('POST', "/racks/$id/duplicate");
        self::assertSame(303, $this->code());
        self::assertSame(2, $this->store()->counts()[0]);
        $copy = $this->store()->page()[0];
        self::assertStringEndsWith(' (copy)', $copy->rack->name ?? '');
        self::assertNull($this->open($copy->record->id())->undo, 'the copy has no past');
    }
}
