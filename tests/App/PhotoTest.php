<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use Doctrine\DBAL\Connection;
use Symfony\Component\Clock\MockClock;
use Symfony\Component\HttpFoundation\File\UploadedFile;
use ZigLane\App\Photo\PhotoStore;
use ZigLane\Core\Geometry\Point;
use ZigLane\Tests\Core\Photo\Photograph;

/**
 * A rack laid out from a picture.
 */
final class PhotoTest extends AppTestCase
{
    private const BALLS = ['cue' => [2.0, 2.0], '1' => [5.5, 1.25], '2' => [6.5, 2.5], '9' => [6.0, 3.1]];

    private static ?Photograph $photo = null;

    public function testARackIsLaidOutFromAPicture(): void
    {
        $lying = $this->open($this->stored(['balls' => self::BALLS]))->rack;
        $photo = self::photograph();
        // Another rack, whose balls lie elsewhere.
        $id = $this->stored(['balls' => ['cue' => [1.0, 1.0], '3' => [4.0, 1.0]]]);
        $this->send($id, $photo->jpeg);
        self::assertSame(303, $this->code());
        self::assertStringContainsString('id="shot"', $this->page($id));
        $this->browser->request('GET', "/racks/$id/photo/picture");
        self::assertSame('image/jpeg', $this->browser->getResponse()->headers->get('Content-Type'));
        $camera = $this->ask($id, 'camera', ['tips' => $photo->tips(8)]);
        self::assertNull($camera['doubt']);
        $balls = [];
        foreach ($lying->layout->balls as $ball => $place) {
            [$u, $v] = $photo->ball($place);
            $seen = $this->ask($id, 'ball', ['tips' => $photo->tips(8), 'at' => [$u + 2, $v - 2], 'others' => []]);
            self::assertTrue($seen['found'], "ball $ball");
            [$x, $y, $circle] = self::millimetres($seen);
            // It lies within the circle that is told.
            self::assertLessThan($circle, hypot($x - 1000 * $place->x, $y - 1000 * $place->y), "ball $ball");
            $balls[] = ['ball' => 0 === $ball ? 'cue' : (string) $ball, 'at' => $lying->table->size->diamondsOf(new Point($x / 1000, $y / 1000))];
        }
        $this->take($id, $balls);
        self::assertSame(303, $this->code());
        $open = $this->open($id);
        self::assertSame('lay out from a photo', $open->undo);
        self::assertSame($lying->layout->objectBalls(), $open->rack->layout->objectBalls());
        foreach ($lying->layout->balls as $ball => $place) {
            self::assertLessThan(0.02, $open->rack->layout->ball($ball)->distanceTo($place), "ball $ball");
        }
        // The picture is gone, and the balls can be put back.
        self::assertStringContainsString('Take or choose a picture', $this->page($id));
        $this->post($id, 'undo');
        self::assertSame([3], $this->open($id)->rack->layout->objectBalls());
    }

    public function testWhatIsNoPictureIsRefusedAndADamagedOneIsTold(): void
    {
        $id = $this->stored();
        $small = imagecreatetruecolor(100, 100);
        ob_start();
        imagepng($small);
        $tiny = (string) ob_get_clean();
        // A huge picture in a small file is refused before it is unpacked.
        $huge = substr_replace($tiny, pack('NN', 30_000, 30_000), 16, 8);
        foreach (['' => 'arrive|no picture', 'not a picture' => 'no picture', $tiny => '100 × 100', $huge => '30000 × 30000'] as $bytes => $problem) {
            $this->send($id, (string) $bytes);
            self::assertSame(422, $this->code());
            self::assertMatchesRegularExpression("/$problem/", self::plain((string) $this->browser->getResponse()->getContent()));
        }
        $this->browser->request('GET', "/racks/$id/photo/picture");
        self::assertSame(404, $this->code());
        $this->ask($id, 'camera', ['tips' => []], 422);
        // What is stored and damaged does not make the page unreadable.
        self::service(Connection::class)->executeStatement("INSERT INTO table_photo (rack_id, picture, kept, created_at) VALUES (?, 'garbage', 0, NOW())", [$id]);
        self::assertStringContainsString('The picture of this rack is damaged', $this->page($id, 422));
        self::assertStringContainsString('Take or choose', $this->page($id, 422));
    }

    public function testBadQuestionsAreToldAndBadBallsAreNotTaken(): void
    {
        $photo = self::photograph();
        $id = $this->stored(['balls' => self::BALLS]);
        $this->send($id, $photo->jpeg);
        foreach ([
            'Point at 4' => ['tips' => \array_slice($photo->tips(4), 0, 3)],
            'There is no such tip' => ['tips' => ['middle' => [5, 5]]],
            'outside the picture' => ['tips' => ['head-left-long' => [1500, 5]]],
            'must be two numbers' => ['tips' => ['head-left-long' => 5]],
            'must be an object' => ['tips' => [1, 2]],
        ] as $problem => $question) {
            self::assertStringContainsString($problem, $this->problem($id, 'camera', $question));
        }
        $mirrored = [];
        foreach ($photo->tips(8) as $name => $tap) {
            $mirrored[strtr($name, ['left' => 'right', 'right' => 'left'])] = $tap;
        }
        $answer = $this->ask($id, 'camera', ['tips' => $mirrored]);
        self::assertTrue($answer['forbids']);
        self::assertIsString($answer['doubt']);
        self::assertStringContainsString('under the table', $answer['doubt']);
        foreach (['not on the table' => [500, 20], 'outside the picture' => [5, 749.5 + 10]] as $problem => $at) {
            self::assertStringContainsString($problem, $this->problem($id, 'ball', ['tips' => $photo->tips(8), 'at' => $at]));
        }
        foreach ([
            'Say which ball' => [['ball' => '', 'at' => [1, 1]]],
            'the cue ball is not among them' => [['ball' => '1', 'at' => [1, 1]]],
            'the cue ball lies in two places' => [['ball' => 'cue', 'at' => [1, 1]], ['ball' => 'cue', 'at' => [2, 1]]],
            'the 12 is no ball of nine-ball' => [['ball' => 'cue', 'at' => [1, 1]], ['ball' => '12', 'at' => [2, 1]]],
            'cannot touch a ball that is not there' => [['ball' => 'cue', 'at' => [1, 1], 'touches' => '4']],
            'must be a list' => ['ball' => 'cue'],
        ] as $problem => $balls) {
            $this->take($id, $balls);
            self::assertSame(422, $this->code(), $problem);
            self::assertStringContainsString(strtolower($problem), strtolower(self::plain((string) $this->browser->getResponse()->getContent())));
        }
        self::assertSame('new rack', $this->open($id)->undo ?? 'new rack');
    }

    public function testWhatIsSaidToTouchTouchesAndAPictureMayBeKept(): void
    {
        $id = $this->stored(['balls' => self::BALLS]);
        $this->send($id, self::photograph()->jpeg);
        $this->take($id, [
            ['ball' => 'cue', 'at' => [2.0, 2.0]],
            ['ball' => '3', 'at' => [5.0, 0.14], 'rail' => 'left'],
            ['ball' => '4', 'at' => [5.19, 0.15], 'rail' => 'left', 'touches' => '3'],
            ['ball' => '9', 'at' => [2.1, 2.16], 'touches' => 'cue'],
        ], keep: true);
        self::assertSame(303, $this->code());
        $rack = $this->open($id)->rack;
        $geometry = $rack->simulator()->geometry;
        self::assertEqualsWithDelta($geometry->reach, $rack->layout->ball(3)->y, 1e-9);
        self::assertEqualsWithDelta(0.05715, $rack->layout->ball(3)->distanceTo($rack->layout->ball(4)), 1e-5);
        self::assertEqualsWithDelta(0.05715, $rack->layout->ball(0)->distanceTo($rack->layout->ball(9)), 1e-5);
        self::assertStringContainsString('id="shot"', $this->page($id));
        $photos = self::service(PhotoStore::class);
        self::assertTrue($photos->kept($id));
        self::assertSame(0, $photos->purge(new \DateTimeImmutable('+1 year')));
        $this->browser->request('POST', "/racks/$id/photo/delete");
        self::assertNull($photos->kept($id));
        // One that nobody finished with goes after a day.
        $photos->put($id, self::photograph()->jpeg);
        self::assertSame(0, $photos->purge((new MockClock())->now()));
        self::assertSame(1, $photos->purge(new \DateTimeImmutable('+2 days')));
    }

    /**
     * @param array<string, mixed> $seen
     *
     * @return array{float, float, float} a ball's place, and its circle
     */
    private static function millimetres(array $seen): array
    {
        $numbers = [];
        foreach (['x', 'y', 'circle'] as $key) {
            self::assertIsNumeric($seen[$key] ?? null);
            $numbers[] = (float) $seen[$key];
        }

        return [$numbers[0], $numbers[1], $numbers[2]];
    }

    private static function photograph(): Photograph
    {
        $rack = self::rack(['balls' => self::BALLS]);

        return self::$photo ??= Photograph::of($rack->layout, $rack->simulator()->geometry);
    }

    private function page(int $id, int $code = 200): string
    {
        $this->browser->request('GET', "/racks/$id/photo");
        self::assertSame($code, $this->code());

        return self::plain((string) $this->browser->getResponse()->getContent()) . $this->browser->getResponse()->getContent();
    }

    private function send(int $id, string $bytes): void
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'photo');
        file_put_contents($file, $bytes);
        $this->browser->request('POST', "/racks/$id/photo", [], ['picture' => new UploadedFile($file, 'table.jpg', test: true)]);
        @unlink($file);
    }

    /**
     * @param array<string, mixed> $question
     *
     * @return array<string, mixed>
     */
    private function ask(int $id, string $what, array $question, int $code = 200): array
    {
        $this->browser->request('POST', "/racks/$id/photo/$what", [], [], ['CONTENT_TYPE' => 'application/json'], json_encode($question, \JSON_THROW_ON_ERROR));
        self::assertSame($code, $this->code(), (string) $this->browser->getResponse()->getContent());
        $answer = json_decode((string) $this->browser->getResponse()->getContent(), true, 64, \JSON_THROW_ON_ERROR);
        self::assertIsArray($answer);

        /** @var array<string, mixed> $answer */
        return $answer;
    }

    /** @param array<string, mixed> $question */
    private function problem(int $id, string $what, array $question): string
    {
        $problem = $this->ask($id, $what, $question, 422)['problem'] ?? null;
        self::assertIsString($problem);

        return $problem;
    }

    /** @param array<mixed> $balls */
    private function take(int $id, array $balls, bool $keep = false): void
    {
        $this->browser->request('POST', "/racks/$id/photo/take", ['version' => $this->version($id), 'balls' => json_encode($balls, \JSON_THROW_ON_ERROR)] + ($keep ? ['keep' => 1] : []));
    }
}
