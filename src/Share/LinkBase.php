<?php

declare(strict_types=1);

namespace ZigLane\App\Share;

use Symfony\Component\DependencyInjection\Attribute\Autowire;
use Symfony\Component\HttpFoundation\Request;

/**
 * Where a link begins that others are to open: on the local network, as far as this instance is reached there.
 */
final readonly class LinkBase
{
    public function __construct(
        #[Autowire('%kernel.cache_dir%/../../lan/address')]
        private string $file,
    ) {}

    /** The address on the local network; null where only this machine is served. */
    public function lan(): ?string
    {
        return is_file($this->file) ? rtrim(trim((string) file_get_contents($this->file)), '/') : null;
    }

    public function of(Request $request): string
    {
        return $this->lan() ?? $request->getSchemeAndHttpHost();
    }
}
