<?php

declare(strict_types=1);

namespace ZigLane\Tests\Browser;

/**
 * Tests by touch on a phone, with nothing left on the device by the test before.
 */
trait OnAPhone
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->script('localStorage.clear()');
        $this->onAPhone();
    }

    protected function tearDown(): void
    {
        parent::tearDown();
        $this->connected(true);
        $this->onAPhone(false);
        $this->script('localStorage.clear()');
        self::$at = null;
    }
}
