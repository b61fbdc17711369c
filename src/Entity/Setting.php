<?php

declare(strict_types=1);

namespace ZigLane\App\Entity;

use Doctrine\DBAL\Types\Types;
use Doctrine\ORM\Mapping as ORM;

/**
 * A fact about this installation, such as that the demo racks were loaded.
 */
#[ORM\Entity]
#[ORM\Table(name: 'setting')]
class Setting
{
    #[ORM\Id]
    #[ORM\Column(type: Types::STRING, length: 60)]
    private string $name;

    #[ORM\Column(type: Types::STRING, length: 200)]
    private string $value;

    public function __construct(string $name, string $value)
    {
        $this->name = $name;
        $this->value = $value;
    }

    public function name(): string
    {
        return $this->name;
    }

    public function value(): string
    {
        return $this->value;
    }
}
