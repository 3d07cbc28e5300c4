<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Units\VolumeUnit;

/**
 * Reads a dilution as people write it on labels (domain, model "ratio"): `1:15`, `15 to 1`, `4 %`, `2 oz per gal`,
 * `3 pumps in 20 l`, `neat`, `1 in 20`. Where a text reads two ways it asks instead of choosing.
 */
final readonly class DilutionReader
{
    private const NUMBER = '\d+(?:\.\d+)?(?:/\d+)?|\.\d+';

    private const NEAT = ['neat', 'undiluted', 'ready to use', 'ready-to-use', 'rtu', 'use neat'];

    private const FRACTIONS = [
        '½' => '.5',
        '¼' => '.25',
        '¾' => '.75',
        '⅓' => '.3333333333333333',
        '⅔' => '.6666666666666667',
    ];

    public function __construct(
        private ?float $capMl = null,
        private ?float $pumpMl = null,
        private ?InMeans $inMeans = null,
    ) {
        foreach (['cap_ml' => $capMl, 'pump_ml' => $pumpMl] as $field => $ml) {
            if ($ml !== null) {
                InvalidInput::unlessBetween($field, $ml, 0.01, 10000, 'ml');
            }
        }
    }

    /**
     * @throws AmbiguousDilution when it reads two ways
     * @throws InvalidDilution when it can't be read, or can't be
     */
    public function read(string $text): Dilution
    {
        $plain = $this->plain($text);

        if ($plain === '') {
            throw new InvalidDilution(
                'Write the dilution as it stands on the label, for example “1:15” or “30 ml per 5 l”.',
            );
        }
        if (in_array($plain, self::NEAT, true)) {
            return Dilution::of(1.0, 'Used as it comes, without water.');
        }
        if (str_contains($plain, '-')) {
            throw new InvalidDilution(
                'A dilution can’t be negative, and a range like “5-10” has to be settled on one value first.',
            );
        }

        return $this->percent($plain) ??
            ($this->parts($plain) ??
                ($this->partsIn($plain) ??
                    ($this->quantities($plain) ??
                        throw new InvalidDilution(
                            sprintf(
                                '“%s” doesn’t read as a dilution. Forms that do: 1:15, 4 %%, 30 ml per 5 l, neat.',
                                mb_strimwidth(trim($text), 0, 40, '…'),
                            ),
                        ))));
    }

    private function percent(string $text): ?Dilution
    {
        if (!preg_match('#^(' . self::NUMBER . ') ?(?:%|percent|per cent|pct)$#', $text, $m)) {
            return null;
        }
        $percent = $this->number($m[1]);
        if ($percent > 100.0) {
            throw new InvalidDilution('More than 100 % product is not a mix.');
        }

        return Dilution::of($percent / 100.0, sprintf('%s %% of the finished mix is product.', $this->say($percent)));
    }

    /** `a:b` and `a to b`: the 1 is the product, whichever side it stands on. */
    private function parts(string $text): ?Dilution
    {
        if (!preg_match('#^(' . self::NUMBER . ') ?(?::|to) ?(' . self::NUMBER . ')$#', $text, $m)) {
            return null;
        }
        [$a, $b] = [$this->number($m[1]), $this->number($m[2])];
        if ($a <= 0.0 || $b <= 0.0) {
            throw new InvalidDilution('One side of that ratio is nothing.');
        }
        if ($a !== 1.0 && $b !== 1.0) {
            throw new AmbiguousDilution(
                sprintf('Neither side of “%s:%s” is 1. Which side is the product?', $this->say($a), $this->say($b)),
            );
        }
        $water = $a === 1.0 ? $b : $a;

        return Dilution::ofParts(
            1.0,
            $water,
            sprintf(
                '1 part product and %s parts water, %s parts in all.',
                $this->say($water),
                $this->say($water + 1.0),
            ),
        );
    }

    /** `a in b` without units: of so much in all, or into so much water; people mean both. */
    private function partsIn(string $text): ?Dilution
    {
        if (!preg_match('#^(' . self::NUMBER . ') ?(?:in|per|into) ?(' . self::NUMBER . ')$#', $text, $m)) {
            return null;
        }
        [$a, $b] = [$this->number($m[1]), $this->number($m[2])];

        return match ($this->inMeans) {
            InMeans::Water => Dilution::ofParts(
                $a,
                $b,
                sprintf('%s parts product into %s parts water.', $this->say($a), $this->say($b)),
            ),
            InMeans::Total => $b > 0.0
                ? Dilution::of(
                    $a / $b,
                    sprintf('%s parts product in %s parts of finished mix.', $this->say($a), $this->say($b)),
                )
                : throw new InvalidDilution('There is no product in a mix of nothing.'),
            null => throw new AmbiguousDilution(
                sprintf(
                    '“%1$s in %2$s” can mean %1$s part of %2$s in all, or %1$s part into %2$s of water. Which is it?',
                    $this->say($a),
                    $this->say($b),
                ),
            ),
        };
    }

    /** `q unit per Q unit`: product into that much water; Q may be left out. */
    private function quantities(string $text): ?Dilution
    {
        $unit = '[a-z][a-z ]*?';
        if (
            !preg_match(
                '#^(' .
                    self::NUMBER .
                    ') ?(' .
                    $unit .
                    ') ?(?:\bper\b|\binto\b|\bin\b|\bto\b|:|/) ?(' .
                    self::NUMBER .
                    ')? ?(' .
                    $unit .
                    ')$#',
                $text,
                $m,
            )
        ) {
            return null;
        }
        $quantity = $this->number($m[1]);
        $water = $m[3] === '' ? 1.0 : $this->number($m[3]);
        [$productMl, $productWord] = $this->unit($m[2], $quantity);
        [$waterMl, $waterWord] = $this->unit($m[4], $water);

        return Dilution::ofParts(
            $quantity * $productMl,
            $water * $waterMl,
            sprintf(
                '%s %s of product into %s %s of water.',
                $this->say($quantity),
                $productWord,
                $this->say($water),
                $waterWord,
            ),
        );
    }

    /** @return array{float, string} millilitres in one, and its name */
    private function unit(string $word, float $quantity): array
    {
        $word = trim($word);
        if (in_array($word, ['cap', 'caps', 'capful', 'capfuls'], true)) {
            return [
                $this->capMl ??
                throw new InvalidDilution('How much does one cap hold? Measure it once, then caps can be counted.'),
                $quantity === 1.0 ? 'cap' : 'caps',
            ];
        }
        if (in_array($word, ['pump', 'pumps', 'stroke', 'strokes'], true)) {
            return [
                $this->pumpMl ??
                throw new InvalidDilution('How much does one pump give? Measure it once, then pumps can be counted.'),
                $quantity === 1.0 ? 'pump' : 'pumps',
            ];
        }
        $unit =
            VolumeUnit::read($word) ??
            throw new InvalidDilution(sprintf('“%s” is not a unit of volume known here.', $word));

        return [$unit->millilitres(), $unit->spoken($quantity)];
    }

    /** Lower case, one kind of space, no thousands separators, one decimal sign. */
    private function plain(string $text): string
    {
        $text = mb_strtolower(trim($text));
        $text = strtr($text, ['−' => '-', '–' => '-', '∶' => ':', '％' => '%', "\u{2019}" => "'"]);
        $text = (string) preg_replace_callback(
            '/(\d*) ?([½¼¾⅓⅔])/u',
            static fn(array $m): string => ($m[1] === '' ? '0' : $m[1]) . self::FRACTIONS[$m[2]],
            $text,
        );
        $text = (string) preg_replace('/[\s\x{00A0}\x{202F}\x{2009}]+/u', ' ', $text);
        // 1,800 and 1 800 and 1'800 are eighteen hundred; 7,5 is seven and a half.
        $text = (string) preg_replace_callback(
            "/(?<![\d.,])\d{1,3}(?:[, ']\d{3})+(?![\d,])/",
            static fn(array $m): string => str_replace([',', ' ', "'"], '', $m[0]),
            $text,
        );
        $text = (string) preg_replace('/(?<=\d),(?=\d)/', '.', $text);
        $text = (string) preg_replace('/\b(fl|oz|gal|imp|approx)\./', '$1', $text);
        $text = (string) preg_replace('/\b(parts?|of product|of water|product|water)\b/', '', $text);

        return trim((string) preg_replace('/ +/', ' ', $text));
    }

    private function number(string $digits): float
    {
        $halves = explode('/', $digits);
        $value = (float) $halves[0];
        if (isset($halves[1])) {
            $below = (float) $halves[1];
            $value =
                $below > 0.0 ? $value / $below : throw new InvalidDilution('A fraction over nothing has no value.');
        }
        if (!is_finite($value) || $value > 1e9) {
            throw new InvalidDilution('That number is too large for a dilution.');
        }

        return $value;
    }

    private function say(float $value): string
    {
        return rtrim(rtrim(number_format($value, 4, '.', ''), '0'), '.');
    }
}
