<?php

declare(strict_types=1);

namespace Vicissa\Core\Mix;

use Vicissa\Core\InvalidInput;
use Vicissa\Core\Says\Said;
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
            throw new InvalidDilution(Said::of('dilution.as-on-the-label'));
        }
        if (in_array($plain, self::NEAT, true)) {
            return Dilution::of(1.0, Said::of('dilution.neat'));
        }
        if (str_contains($plain, '-')) {
            throw new InvalidDilution(Said::of('dilution.one-value'));
        }

        return $this->percent($plain) ??
            ($this->parts($plain) ??
                ($this->partsIn($plain) ??
                    ($this->quantities($plain) ??
                        throw new InvalidDilution(
                            Said::of('dilution.unread', text: mb_strimwidth(trim($text), 0, 40, '…')),
                        ))));
    }

    private function percent(string $text): ?Dilution
    {
        if (!preg_match('#^(' . self::NUMBER . ') ?(?:%|percent|per cent|pct)$#', $text, $m)) {
            return null;
        }
        $percent = $this->number($m[1]);
        if ($percent > 100.0) {
            throw new InvalidDilution(Said::of('dilution.above-all'));
        }

        return Dilution::of($percent / 100.0, Said::of('dilution.percent', percent: $percent));
    }

    /** `a:b` and `a to b`: the 1 is the product, whichever side it stands on. */
    private function parts(string $text): ?Dilution
    {
        if (!preg_match('#^(' . self::NUMBER . ') ?(?::|to) ?(' . self::NUMBER . ')$#', $text, $m)) {
            return null;
        }
        [$a, $b] = [$this->number($m[1]), $this->number($m[2])];
        if ($a <= 0.0 || $b <= 0.0) {
            throw new InvalidDilution(Said::of('dilution.nothing-on-a-side'));
        }
        if ($a !== 1.0 && $b !== 1.0) {
            throw new AmbiguousDilution(Said::of('dilution.which-side', a: $a, b: $b));
        }
        $water = $a === 1.0 ? $b : $a;

        return Dilution::ofParts(1.0, $water, Said::of('dilution.parts', water: $water, all: $water + 1.0));
    }

    /** `a in b` without units: of so much in all, or into so much water; people mean both. */
    private function partsIn(string $text): ?Dilution
    {
        if (!preg_match('#^(' . self::NUMBER . ') ?(?:in|per|into) ?(' . self::NUMBER . ')$#', $text, $m)) {
            return null;
        }
        [$a, $b] = [$this->number($m[1]), $this->number($m[2])];

        return match ($this->inMeans) {
            InMeans::Water => Dilution::ofParts($a, $b, Said::of('dilution.into-water', product: $a, water: $b)),
            InMeans::Total => $b > 0.0
                ? Dilution::of($a / $b, Said::of('dilution.in-mix', product: $a, all: $b))
                : throw new InvalidDilution(Said::of('dilution.mix-of-nothing')),
            null => throw new AmbiguousDilution(Said::of('dilution.which-in', a: $a, b: $b)),
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
            Said::of('dilution.quantities', quantity: $quantity, of: $productWord, water: $water, into: $waterWord),
        );
    }

    /** @return array{float, Said} millilitres in one, and its name */
    private function unit(string $word, float $quantity): array
    {
        $word = trim($word);
        if (in_array($word, ['cap', 'caps', 'capful', 'capfuls'], true)) {
            return [
                $this->capMl ?? throw new InvalidDilution(Said::of('dilution.cap')),
                Said::of('volume.cap', count: $quantity),
            ];
        }
        if (in_array($word, ['pump', 'pumps', 'stroke', 'strokes'], true)) {
            return [
                $this->pumpMl ?? throw new InvalidDilution(Said::of('dilution.pump')),
                Said::of('volume.pump', count: $quantity),
            ];
        }
        $unit = VolumeUnit::read($word) ?? throw new InvalidDilution(Said::of('dilution.unit', word: $word));

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
            $value = $below > 0.0 ? $value / $below : throw new InvalidDilution(Said::of('dilution.fraction'));
        }
        if (!is_finite($value) || $value > 1e9) {
            throw new InvalidDilution(Said::of('dilution.large'));
        }

        return $value;
    }
}
