<?php

declare(strict_types=1);

namespace ZigLane\Tests\Core\Rack;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use ZigLane\Core\InvalidInput;
use ZigLane\Core\Player\Hand;
use ZigLane\Core\Player\Level;
use ZigLane\Core\Player\Player;
use ZigLane\Core\Rack\Files\Fields;
use ZigLane\Core\Rack\Files\PlayerFields;

final class PlayerFieldsTest extends TestCase
{
    public function testALevelAloneIsItsPreset(): void
    {
        foreach (Level::cases() as $level) {
            $player = PlayerFields::read(new Fields((object) ['level' => $level->value], ''));
            self::assertEquals(Player::of($level), $player);
            self::assertSame(['level' => $level->value], PlayerFields::write($player));
        }
    }

    public function testOwnNumbersComeBack(): void
    {
        $document = ['level' => 'advanced', 'errors' => ['aimDeg' => 0.08, 'speedPercent' => 7.5, 'tipMm' => 0.4], 'hand' => 'left', 'reachCm' => 92.0, 'profile' => 'Doubles partner'];
        $player = PlayerFields::read(new Fields((object) array_replace($document, ['errors' => (object) $document['errors']]), ''));
        self::assertEqualsWithDelta(deg2rad(0.08), $player->aim, 1e-12);
        self::assertSame([0.075, Hand::Left, 0.92, 'Doubles partner'], [$player->speed, $player->hand, $player->reach, $player->name]);
        self::assertEquals($document, PlayerFields::write($player));
    }

    public function testWhatIsLeftOutIsTheLevels(): void
    {
        $player = PlayerFields::read(new Fields((object) ['level' => 'beginner', 'errors' => (object) ['tipMm' => 0.9]], ''));
        self::assertSame([Player::of(Level::FirstYear)->aim, 0.0009], [$player->aim, $player->tip]);
    }

    /**
     * @return iterable<string, array{array<string, mixed>, string}>
     */
    public static function wrong(): iterable
    {
        yield 'level' => [['level' => 'expert'], 'level'];
        yield 'aim' => [['errors' => (object) ['aimDeg' => 9]], 'errors.aimDeg'];
        yield 'speed' => [['errors' => (object) ['speedPercent' => -1]], 'errors.speedPercent'];
        yield 'hand' => [['hand' => 'both'], 'hand'];
        yield 'reach' => [['reachCm' => 300], 'reachCm'];
    }

    /**
     * @param array<string, mixed> $document
     */
    #[DataProvider('wrong')]
    public function testWhatIsWrongIsSaidWithItsPlace(array $document, string $place): void
    {
        $this->expectException(InvalidInput::class);
        $this->expectExceptionMessageMatches('/' . preg_quote($place, '/') . '/');
        PlayerFields::read(new Fields((object) $document, ''));
    }
}
