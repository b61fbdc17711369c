<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

use Symfony\Component\HttpFoundation\File\UploadedFile;
use Symfony\Component\HttpFoundation\Request;
use ZigLane\Core\InvalidInput;

/**
 * A text file that came with a form.
 */
final readonly class UploadedText
{
    private function __construct(public string $name, public string $text) {}

    /**
     * @param int $largest bytes
     *
     * @throws InvalidInput when there is none, or it is not to be used
     */
    public static function of(Request $request, string $field, int $largest): self
    {
        $file = $request->files->get($field);
        if (!$file instanceof UploadedFile) {
            throw new InvalidInput('', 'No file was chosen.');
        }
        if (!$file->isValid()) {
            throw new InvalidInput('', 'The file did not arrive whole: ' . $file->getErrorMessage());
        }
        if ($file->getSize() > $largest) {
            throw new InvalidInput('', \sprintf('The file has %d bytes (limit %d).', $file->getSize(), $largest));
        }

        return new self($file->getClientOriginalName(), $file->getContent());
    }

    /** The name of a file that came with a form, whatever is wrong with it; null when there is none. */
    public static function nameOf(Request $request, string $field): ?string
    {
        $file = $request->files->get($field);

        return $file instanceof UploadedFile ? $file->getClientOriginalName() : null;
    }
}
