<?php

declare(strict_types=1);

namespace ZigLane\App\Photo;

use ZigLane\Core\InvalidInput;
use ZigLane\Core\Photo\Picture;
use ZigLane\Core\Photo\Taps;

/**
 * A picture as the image library reads it.
 */
final readonly class GdPicture implements Picture
{
    /** Bytes of a picture that is sent: the page makes it smaller before. */
    public const LARGEST = 4_000_000;

    /** px of its longer side. */
    public const LONGEST = 2000;

    /** px of its longer side as the page sends it. */
    public const SENT = 1600;

    private const QUALITY = 88;
    private const KINDS = [\IMAGETYPE_JPEG, \IMAGETYPE_PNG, \IMAGETYPE_WEBP];

    private function __construct(private \GdImage $image) {}

    /** @throws InvalidInput for what is no picture, or one too small or too large */
    public static function read(string $bytes): self
    {
        $size = '' === $bytes ? false : @getimagesizefromstring($bytes);
        if (false === $size || !\in_array($size[2], self::KINDS, true)) {
            throw new InvalidInput('', 'This is no picture that can be read: a JPEG, PNG or WebP is');
        }
        // Before it is unpacked: a small file may hold a huge picture.
        if (max($size[0], $size[1]) > self::LONGEST || min($size[0], $size[1]) < Taps::SMALLEST) {
            throw new InvalidInput('', \sprintf(
                'This picture is %d × %d pixels; from %d to %d can be used',
                $size[0],
                $size[1],
                Taps::SMALLEST,
                self::LONGEST,
            ));
        }
        $image = @imagecreatefromstring($bytes);
        if (false === $image || !imagepalettetotruecolor($image)) {
            throw new InvalidInput('', 'This picture is damaged');
        }

        return new self($image);
    }

    /** Packed anew: nothing of what stood in the file beside the picture is left. */
    public function jpeg(): string
    {
        ob_start();
        imagejpeg($this->image, null, self::QUALITY);

        return (string) ob_get_clean();
    }

    public function width(): int
    {
        return imagesx($this->image);
    }

    public function height(): int
    {
        return imagesy($this->image);
    }

    public function at(int $x, int $y): array
    {
        $colour = (int) imagecolorat($this->image, $x, $y);

        return [$colour >> 16 & 255, $colour >> 8 & 255, $colour & 255];
    }
}
