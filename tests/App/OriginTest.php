<?php

declare(strict_types=1);

namespace ZigLane\Tests\App;

use PHPUnit\Framework\Attributes\DataProvider;

final class OriginTest extends AppTestCase
{
    /**
     * @return iterable<string, array{array<string, string>, int}>
     */
    public static function senders(): iterable
    {
        yield 'our own page' => [['HTTP_SEC_FETCH_SITE' => 'same-origin', 'HTTP_ORIGIN' => 'http://127.0.0.1'], 303];
        yield 'another site' => [['HTTP_SEC_FETCH_SITE' => 'cross-site', 'HTTP_ORIGIN' => 'https://elsewhere.example'], 403];
        yield 'another port of this machine' => [['HTTP_SEC_FETCH_SITE' => 'same-site', 'HTTP_ORIGIN' => 'http://127.0.0.1:9999'], 403];
        yield 'an older browser, another site' => [['HTTP_SEC_FETCH_SITE' => 'none', 'HTTP_ORIGIN' => 'https://elsewhere.example'], 403];
        yield 'only a referrer, another site' => [['HTTP_SEC_FETCH_SITE' => 'none', 'HTTP_REFERER' => 'https://elsewhere.example/page'], 403];
        yield 'a sandboxed frame' => [['HTTP_SEC_FETCH_SITE' => 'cross-site', 'HTTP_ORIGIN' => 'null'], 403];
    }

    /**
     * @param array<string, string> $headers
     */
    #[DataProvider('senders')]
    public function testOnlyOurOwnPagesMayChangeAnything(array $headers, int $status): void
    {
        $this->browser->request('POST', '/racks', ['game' => 'nine-ball', 'name' => 'From there'], [], $headers);
        self::assertSame($status, $this->code());
        self::assertSame(303 === $status ? 1 : 0, $this->store()->counts()[0]);
    }

    public function testAForeignHostNameIsRefused(): void
    {
        $this->browser->request('GET', '/', [], [], ['HTTP_HOST' => 'elsewhere.example']);
        self::assertSame(400, $this->code());
    }

    public function testPagesMayLoadNothingFromElsewhere(): void
    {
        $this->browser->request('GET', '/');
        self::assertStringContainsString("default-src 'self'", (string) $this->browser->getResponse()->headers->get('Content-Security-Policy'));
        self::assertDoesNotMatchRegularExpression('/(?:src|href)="(?:https?:)?\/\//', (string) $this->browser->getResponse()->getContent());
    }
}
