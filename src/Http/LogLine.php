<?php

declare(strict_types=1);

namespace ZigLane\App\Http;

use Monolog\Formatter\LineFormatter;

/**
 * One event, one line; an exception with its trace.
 */
final class LogLine extends LineFormatter
{
    public function __construct()
    {
        parent::__construct(
            "%datetime% %level_name% %message% %context% %extra%\n",
            'Y-m-d\TH:i:sP',
            ignoreEmptyContextAndExtra: true,
            includeStacktraces: true,
        );
        $this->allowInlineLineBreaks = false;
    }
}
