<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use ZigLane\Core\Rack\Files\RackFile;

/**
 * What a camera sends waits until a person has looked at it.
 */
final class CameraTest extends AppTestCase
{
    private const BALLS = ['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '2' => [6.5, 2.5], '9' => [6.0, 3.1]];

    public function testAFrameWithTwoBallsSwappedAndOneMissingIsNotTakenSilently(): void
    {
        $id = $this->stored(['balls' => self::BALLS]);
        self::assertStringContainsString('No frame has come yet', $this->page($id));
        $answer = $this->send($id, ['1' => self::BALLS['9'], '9' => self::BALLS['1'], '2' => null]);
        self::assertSame(['balls' => 3, 'doubts' => 3], $answer);
        $page = $this->page($id);
        self::assertStringContainsString('3 questions', $page);
        self::assertStringContainsString('The 1 and the 9 are seen in each other’s places', $page);
        self::assertStringContainsString('The 2 was not seen. Is it off the table?', $page);
        $hash = $this->hash($id);
        // Without answers, and with some, nothing is taken.
        foreach ([[], ['ball-1' => '1', 'ball-2' => '9'], ['ball-1' => '1', 'ball-2' => '9', 'missing-2' => 'perhaps']] as $answers) {
            $this->take($id, $hash, $answers);
            self::assertSame(422, $this->code());
            self::assertStringContainsString('not answered yet', $this->shown());
        }
        self::assertSame('new rack', $this->label($id));
        $this->take($id, $hash, ['ball-1' => '9', 'ball-2' => '1', 'missing-2' => 'none']);
        self::assertSame(303, $this->code());
        $layout = $this->open($id)->rack->layout;
        self::assertSame([1, 9], $layout->objectBalls());
        self::assertEqualsWithDelta([5.5, 1.25], $this->open($id)->rack->table->size->diamondsOf($layout->ball(1)), 1e-6);
        self::assertSame('take the balls from the camera', $this->open($id)->undo);
    }

    public function testWhatIsCleanIsTakenAndCanBeUndone(): void
    {
        $id = $this->stored(['balls' => self::BALLS]);
        $this->send($id, ['cue' => [1.0, 1.0], '9' => [6.5 + 0.17, 2.5]]);
        self::assertStringContainsString('Nothing about them is doubtful', $this->page($id));
        $this->take($id, $this->hash($id), []);
        self::assertSame(303, $this->code());
        // What was read a few millimetres into another ball touches it.
        $layout = $this->open($id)->rack->layout;
        self::assertEqualsWithDelta(0.05715, $layout->ball(2)->distanceTo($layout->ball(9)), 1e-4);
        $this->post($id, 'undo');
        self::assertEqualsWithDelta([2.0, 2.0], $this->open($id)->rack->table->size->diamondsOf($this->open($id)->rack->layout->ball(0)), 1e-6);
    }

    public function testAnotherFrameMeanwhileIsLookedAtFirst(): void
    {
        $id = $this->stored(['balls' => self::BALLS]);
        $this->send($id, ['cue' => [1.0, 1.0]]);
        $hash = $this->hash($id);
        $this->send($id, ['cue' => [3.0, 1.0]]);
        $this->take($id, $hash, []);
        self::assertStringContainsString('The camera has sent another frame since', $this->shown());
        foreach ([['ball-0' => '9'], ['ball-0' => 'none'], ['ball-0' => '14']] as $answers) {
            $this->take($id, $this->hash($id), $answers);
            self::assertSame(422, $this->code(), implode('', $answers));
        }
    }

    public function testAfterAShotItProposesTheResult(): void
    {
        $id = $this->stored(['balls' => self::BALLS]);
        $attempt = [
            'at' => '2026-11-26T15:00:00Z',
            'rack' => RackFile::write(self::rack(['balls' => self::BALLS])),
            'meant' => ['ball' => '1', 'pocket' => 'foot-left', 'speed' => ['lengths' => 1.5]],
            'result' => ['made' => false, 'cue' => null],
        ];
        /** @var \Closure(): array<string, mixed> $ask */
        $ask = function () use ($id, $attempt): array {
            $this->browser->request('POST', "/racks/$id/camera/result", [], [], ['CONTENT_TYPE' => 'application/json'], json_encode($attempt, \JSON_THROW_ON_ERROR));
            $answer = json_decode((string) $this->browser->getResponse()->getContent(), true, 8, \JSON_THROW_ON_ERROR);

            return \is_array($answer) ? $answer : [];
        };
        self::assertSame('The camera has sent no frame yet', $ask()['problem']);
        // The 1 dropped, the 9 was moved, the 2 lies as it did; the camera took nothing for anything else.
        $this->send($id, ['cue' => [4.0, 1.0], '1' => null, '9' => [7.0, 3.0]]);
        self::assertEquals(['at' => '2026-11-26T15:00:00Z', 'made' => true, 'cue' => [4, 1], 'moved' => ['1' => null, '9' => [7, 3]], 'doubts' => []], $ask());
        // What is not seen beside the shot's own ball is asked for.
        $this->send($id, ['cue' => [4.0, 1.0], '1' => null, '2' => null]);
        self::assertSame(['The 2 was not seen. Is it off the table?'], $ask()['doubts']);
    }

    public function testABrokenFrameIsRefusedAndADamagedOneSaysSo(): void
    {
        $id = $this->stored();
        foreach (['{', '[]', '{"format":"zig-lane/frame","version":1,"at":"2026-11-26T15:00:00Z","balls":[{"ball":"17","at":[1,1]}]}'] as $body) {
            $this->browser->request('POST', "/racks/$id/camera/frame", [], [], ['CONTENT_TYPE' => 'application/json'], $body);
            self::assertSame(422, $this->code());
        }
        $this->send($id, []);
        self::service(Connection::class)->executeStatement("UPDATE upload SET text = '{\"format\":'");
        self::assertStringContainsString('The last frame cannot be read', $this->page($id));
    }

    /**
     * @param array<string|int, array{float, float}|null> $change
     *
     * @return array<mixed>
     */
    private function send(int $id, array $change): array
    {
        $balls = [];
        foreach (self::BALLS as $name => $lay) {
            $at = \array_key_exists($name, $change) ? $change[$name] : $lay;
            if (null !== $at) {
                $balls[] = ['ball' => (string) $name, 'at' => $at];
            }
        }
        $frame = ['format' => 'zig-lane/frame', 'version' => 1, 'at' => '2026-11-26T15:00:00Z', 'balls' => $balls];
        $this->browser->request('POST', "/racks/$id/camera/frame", [], [], ['CONTENT_TYPE' => 'application/json'], json_encode($frame, \JSON_THROW_ON_ERROR));
        $answer = json_decode((string) $this->browser->getResponse()->getContent(), true, 8, \JSON_THROW_ON_ERROR);

        return \is_array($answer) ? $answer : [];
    }

    /**
     * @param array<string, string> $answers
     */
    private function take(int $id, string $hash, array $answers): void
    {
        $this->browser->request('POST', "/racks/$id/camera", $answers + ['frame' => $hash, 'version' => (string) $this->version($id)]);
    }

    private function hash(int $id): string
    {
        $this->browser->request('GET', "/racks/$id/camera");
        self::assertSame(1, preg_match('/name="frame" value="([0-9a-f]+)"/', (string) $this->browser->getResponse()->getContent(), $m));

        return $m[1];
    }

    private function page(int $id): string
    {
        $this->browser->request('GET', "/racks/$id/camera");

        return $this->shown();
    }

    private function shown(): string
    {
        return self::plain((string) $this->browser->getResponse()->getContent());
    }

    private function label(int $id): mixed
    {
        return self::service(Connection::class)->fetchOne('SELECT label FROM rack_revision WHERE rack_id = ? ORDER BY number DESC LIMIT 1', [$id]);
    }
}
