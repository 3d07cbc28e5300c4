<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

use Vicissa\Core\Says\Said;

/** What is decided about a topper. */
enum Decision: string
{
    case Apply = 'apply';
    case ReadFirst = 'read-first';
    case DeconFirst = 'decon-first';
    case Optional = 'optional';
    case None = 'none';
    case NotToday = 'not-today';

    public function says(): Said
    {
        return match ($this) {
            self::Apply => Said::of('decision.apply'),
            self::ReadFirst => Said::of('decision.read-first'),
            self::DeconFirst => Said::of('decision.decon-first'),
            self::Optional => Said::of('decision.optional'),
            self::None => Said::of('decision.none'),
            self::NotToday => Said::of('decision.not-today'),
        };
    }

    /** Whether a product has to stand ready. */
    public function wantsProduct(): bool
    {
        return match ($this) {
            self::Apply, self::ReadFirst, self::DeconFirst, self::Optional => true,
            self::None, self::NotToday => false,
        };
    }
}
