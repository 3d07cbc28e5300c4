<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching\Turn;

/** What is decided about a topper. */
enum Decision: string
{
    case Apply = 'apply';
    case ReadFirst = 'read-first';
    case DeconFirst = 'decon-first';
    case Optional = 'optional';
    case None = 'none';
    case NotToday = 'not-today';

    public function says(): string
    {
        return match ($this) {
            self::Apply => 'Put it on',
            self::ReadFirst => 'Read the clean water first',
            self::DeconFirst => 'Decontaminate first, then read again',
            self::Optional => 'A choice, not a need',
            self::None => 'None today',
            self::NotToday => 'Due, but not today',
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
