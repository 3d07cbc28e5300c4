<?php

declare(strict_types=1);

namespace App\Says;

use DateTimeImmutable;
use DateTimeZone;
use IntlDateFormatter;
use LogicException;
use MessageFormatter;
use stdClass;
use Throwable;
use Vicissa\Core\Says\Amount;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Units\Measures;

/**
 * Makes sentences, in somebody's language and units, of what the rules say in codes: the one place where words are
 * made. Patterns are those of ICU, with its plurals and choices.
 */
final class Teller
{
    /** @var array<string, array<string, string>> patterns by language and code */
    private static array $patterns = [];

    /** @var array<string, string>|null the house's cautions, by what they say in any language */
    private static ?array $hazards = null;

    /** @var array<string, MessageFormatter> */
    private array $formatters = [];

    private ?IntlDateFormatter $days = null;

    public function __construct(
        public readonly Language $language = Language::English,
        public readonly Measures $measures = Measures::Metric,
    ) {}

    /** Of whoever asks: in their language and their workspace's units. */
    public static function here(): self
    {
        return app(self::class);
    }

    /** The same to somebody who reads in another language; null for whoever asks. */
    public function in(?string $language): self
    {
        $other = Language::tryFrom($language ?? '');

        return $other === null ? $this : new self($other, $this->measures);
    }

    public function tell(Said|string $said): string
    {
        return is_string($said) ? $said : $this->render($said->code, $said->with);
    }

    /** @param string|int|float|Amount|Said|list<string|Said>|null ...$with  by name */
    public function say(string $code, string|int|float|Amount|Said|array|null ...$with): string
    {
        return $this->render($code, $with);
    }

    /** A day of the calendar as one writes it; a dash for none. */
    public function day(?string $on): string
    {
        return $on === null
            ? '–'
            : (string) ($this->days ??= new IntlDateFormatter(
                $this->language->locale(),
                IntlDateFormatter::MEDIUM,
                IntlDateFormatter::NONE,
                'UTC',
            ))->format(new DateTimeImmutable($on, new DateTimeZone('UTC')));
    }

    /** The same with its weekday, for a letter. */
    public function weekday(string $on): string
    {
        return (string) (new IntlDateFormatter(
            $this->language->locale(),
            IntlDateFormatter::FULL,
            IntlDateFormatter::NONE,
            'UTC',
            pattern: $this->language->dayOfAWeek(),
        ))->format(new DateTimeImmutable($on, new DateTimeZone('UTC')));
    }

    /** Whatever stands in it, said or kept as JSON keeps it, in words; all else as it was. */
    public function everywhere(mixed $data): mixed
    {
        if ($data instanceof Said) {
            return $this->tell($data);
        }
        if (self::isMarked($data)) {
            // Anybody may have put something of this form where any JSON may stand: what says nothing stays as it is.
            try {
                return $this->tell(Said::kept((array) $data) ?? '');
            } catch (Throwable) {
                return $data;
            }
        }
        if (is_array($data)) {
            return array_map($this->everywhere(...), $data);
        }
        if ($data instanceof stdClass) {
            foreach (get_object_vars($data) as $key => $value) {
                if (is_array($value) || is_object($value)) {
                    $data->{$key} = $this->everywhere($value);
                }
            }
        }

        return $data;
    }

    private static function isMarked(mixed $data): bool
    {
        return match (true) {
            is_array($data) => is_string($data[Said::MARK] ?? null),
            $data instanceof stdClass => is_string($data->{Said::MARK} ?? null),
            default => false,
        };
    }

    /**
     * What somebody wrote, or the house's own sentence where it says just that: said once then, and in any language.
     */
    public static function recognise(string $text): Said
    {
        self::$hazards ??= array_merge(
            [],
            ...array_map(
                static fn(Language $language): array => array_flip(
                    array_filter(
                        self::catalogue($language),
                        static fn(string $code): bool => str_starts_with($code, 'hazards.'),
                        ARRAY_FILTER_USE_KEY,
                    ),
                ),
                Language::cases(),
            ),
        );

        return isset(self::$hazards[$text]) ? Said::of(self::$hazards[$text]) : Said::written($text);
    }

    /** @return array<string, string> patterns by code */
    public static function catalogue(Language $language): array
    {
        return self::$patterns[$language->value] ??= require dirname(__DIR__, 2) . "/lang/{$language->value}/says.php";
    }

    /** @param array<array-key, mixed> $with */
    private function render(string $code, array $with): string
    {
        $with = array_map($this->value(...), $with);

        return match ($code) {
            'written' => $with['text'],
            'day' => $this->day($with['on']),
            'field' => $this->field($with['name']),
            'after', 'list' => implode($code === 'list' ? ', ' : ' ', (array) $with['each']),
            'sentence' => $this->large($with['of']) . '.',
            'upper' => $this->large($with['of']),
            'lower' => $this->small($with['of']),
            'clause' => $this->small(rtrim($with['of'], '.')),
            default => $this->pattern(
                $code,
                array_map(static fn(mixed $value): mixed => is_array($value) ? implode(', ', $value) : $value, $with),
            ),
        };
    }

    /** @param array<string, string|int|float> $with */
    private function pattern(string $code, array $with): string
    {
        $this->formatters[$code] ??= $this->formatter($code);
        $told = $this->formatters[$code]->format($with);

        return is_string($told)
            ? $told
            : throw new LogicException("“{$code}”: " . $this->formatters[$code]->getErrorMessage());
    }

    /** What nobody has translated is said in English: only the desk has such. */
    private function formatter(string $code): MessageFormatter
    {
        $own = self::catalogue($this->language)[$code] ?? null;

        return new MessageFormatter(
            ($own === null ? Language::English : $this->language)->locale(),
            $own ??
                (self::catalogue(Language::English)[$code] ??
                    throw new LogicException("Nothing is said by “{$code}”.")),
        );
    }

    private function value(mixed $value): mixed
    {
        return match (true) {
            $value === null => '',
            $value instanceof Said => $this->tell($value),
            $value instanceof Amount => $this->amount($value->of, $value->value),
            is_array($value) => array_map($this->value(...), $value),
            default => $value,
        };
    }

    private function amount(string $of, float $value): string
    {
        return str_replace(
            '.',
            $this->language->decimal(),
            match ($of) {
                'temperature' => $this->measures->temperature($value),
                'area' => $this->measures->area($value),
                'litres' => $this->measures->litres($value),
                'time' => Measures::time($value),
                default => throw new LogicException("No such quantity: {$of}"),
            },
        );
    }

    /** What the catalogue calls a field, or its name in the JSON form, spelled for people. */
    private function field(string $name): string
    {
        return self::catalogue($this->language)["field.{$name}"] ?? $this->large(str_replace('_', ' ', $name));
    }

    private function large(string $text): string
    {
        return mb_strtoupper(mb_substr($text, 0, 1)) . mb_substr($text, 1);
    }

    private function small(string $text): string
    {
        return $this->language->beginsSmallWithin()
            ? mb_strtolower(mb_substr($text, 0, 1)) . mb_substr($text, 1)
            : $text;
    }
}
