<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Answers;

use BackedEnum;
use Closure;
use ReflectionObject;
use ReflectionProperty;
use UnitEnum;
use Vicissa\Core\Says\Said;

/** Whatever the core answers, written down: public facts by name, figures to six places that count. */
final class Written
{
    public static function of(mixed $answer): mixed
    {
        return match (true) {
            is_float($answer) => is_finite($answer) ? (float) sprintf('%.6g', $answer) : (string) $answer,
            $answer instanceof BackedEnum => $answer->value,
            $answer instanceof UnitEnum => $answer->name,
            $answer instanceof Said => self::of(json_decode((string) json_encode($answer), true)),
            $answer instanceof Closure => null,
            is_object($answer) => self::object($answer),
            is_array($answer) => array_map(self::of(...), $answer),
            default => $answer,
        };
    }

    public static function short(mixed $answer): string
    {
        return substr(hash('sha256', (string) json_encode($answer)), 0, 16);
    }

    /** @return array<string, mixed> */
    private static function object(object $of): array
    {
        $facts = [];
        foreach ((new ReflectionObject($of))->getProperties(ReflectionProperty::IS_PUBLIC) as $property) {
            if (!$property->isStatic() && $property->isInitialized($of)) {
                $facts[$property->getName()] = self::of($property->getValue($of));
            }
        }

        return $facts;
    }
}
