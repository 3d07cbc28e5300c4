<?php

declare(strict_types=1);

namespace App\Proof;

use App\Print\Paper;
use App\Record\Photo;
use App\Says\Teller;
use Illuminate\Support\Facades\Storage;
use Vicissa\Core\Planning\Kind;

/**
 * The record on paper: what was done with what, how the water stood as drops, the ribbon, what is due next, cautions,
 * who.
 */
final readonly class RecordSheet
{
    private const TITLES = ['turn' => 'Service record', 'year' => 'A year of care', 'history' => 'Whole history'];

    private const STAGES = [
        'arrival' => 'on arrival',
        'after_wash' => 'after the wash',
        'after_decon' => 'after decontamination',
        'after_topper' => 'after the topper',
    ];

    private const SOIL = ['clean', 'light dust', 'road film', 'road grime', 'heavy', 'caked'];

    /** More pictures than these make a document nobody can send. */
    private const MOST_PHOTOS = 12;

    public function __construct(private Paper $paper, private Teller $teller) {}

    /** @param array<string, mixed> $record  as DrawRecord gives it */
    public function pdf(array $record): string
    {
        /** @var array<string, mixed> $record */
        $record = $this->teller->everywhere($record);
        $vehicle = $record['vehicle'];
        $body = sprintf(
            '<div class="head"><h1>%s</h1><p class="quiet">%s · %s · %s</p></div>',
            e($vehicle['name']),
            self::TITLES[$record['kind']] ?? '',
            e(
                implode(
                    ' · ',
                    array_filter([$vehicle['model'], $vehicle['colour'], $vehicle['plate'], $vehicle['client']]),
                ),
            ),
            e(
                $record['from'] === $record['to']
                    ? (string) $record['to']
                    : trim(($record['from'] ?? '') . ' to ' . $record['to'], ' '),
            ),
        );
        $body .= $this->next($record);
        if (is_array($record['film']['ribbon'] ?? null)) {
            $body .=
                '<h2>What is left of its protection</h2>' .
                Paper::svg(
                    Drawings::ribbon(
                        $record['film']['ribbon'],
                        $record['film']['from'],
                        $record['film']['to'],
                        $record['film']['today'],
                    ),
                    172,
                    22.6,
                ) .
                '<p class="small quiet">Thickness is what is left; marks below are washes, circles above readings of the water (filled: it held). The dotted line is the day of writing; beyond it the spread of what may come, and the window in which to renew.</p>';
        }
        $body .= $this->layers($record['layers'], $record['kind'] === 'history');
        $photos = 0;
        $body .=
            $record['kind'] === 'turn'
                ? ''
                : '<h2>' . count($record['turns']) . ' turn' . (count($record['turns']) === 1 ? '' : 's') . '</h2>';
        foreach ($record['turns'] as $turn) {
            $body .= $this->turn($turn, $record['kind'] === 'turn', $photos);
        }
        if ($record['cautions'] !== []) {
            $body .=
                '<h2>Cautions</h2>' .
                implode(
                    '',
                    array_map(
                        static fn(string $says): string => '<p class="caution">' . e($says) . '</p>',
                        $record['cautions'],
                    ),
                );
        }

        return $this->paper->pdf($vehicle['name'], $body, "{$record['business']} · written {$record['written_on']}");
    }

    /** @param array<string, mixed> $record */
    private function next(array $record): string
    {
        $lines = [];
        foreach ($record['due'] as $due) {
            if ($due['due'] !== null) {
                $lines[] = sprintf(
                    '<tr><td>%s on %s</td><td class="due">%s</td><td class="quiet">worth doing from %s, late after %s</td></tr>',
                    e($due['name']),
                    e($due['zone']),
                    $due['due'],
                    $due['from'] ?? '–',
                    $due['late'] ?? '–',
                );
            }
            if (($due['look'] ?? null) !== null) {
                $lines[] = sprintf(
                    '<tr><td>%s on %s</td><td class="due">%s</td><td class="quiet">to be looked over</td></tr>',
                    e($due['name']),
                    e($due['zone']),
                    $due['look'],
                );
            }
        }
        $visit =
            $record['next_visit'] === null
                ? ''
                : sprintf(
                    '<p>The next visit is meant for <span class="strong">%s</span>%s%s.</p>',
                    $record['next_visit'],
                    $record['next_kinds'] === null ? '' : ': ' . $this->kinds($record['next_kinds']),
                    $record['next_minutes'] === null ? '' : sprintf(', about %d minutes', $record['next_minutes']),
                );

        return $lines === [] && $visit === ''
            ? ''
            : '<h2>Due next</h2><table>' . implode('', $lines) . '</table>' . $visit;
    }

    /** @param list<string> $kinds */
    private function kinds(array $kinds): string
    {
        return mb_strtolower(
            implode(
                ', ',
                array_map(
                    fn(string $kind): string => $this->teller->tell(Kind::tryFrom($kind)?->says() ?? $kind),
                    $kinds,
                ),
            ),
        );
    }

    /** @param list<array<string, mixed>> $layers */
    private function layers(array $layers, bool $all): string
    {
        if ($layers === []) {
            return '';
        }
        $rows = array_map(
            static fn(array $layer): string => sprintf(
                '<tr><td>%s</td><td>%s</td><td>%s</td><td>%s</td></tr>',
                e($layer['zone']),
                e($layer['name']),
                $layer['kind'] === 'base' ? 'base' : 'topper',
                $layer['on'] . ($layer['until'] === null ? '' : ' to ' . $layer['until']),
            ),
            $layers,
        );

        return '<h2>' .
            ($all ? 'Every layer' : 'What is on it') .
            '</h2><table><tr><th>Zone</th><th>Layer</th><th></th><th>' .
            ($all ? 'On' : 'Since') .
            '</th></tr>' .
            implode('', $rows) .
            '</table>';
    }

    /** @param array<string, mixed> $turn */
    private function turn(array $turn, bool $full, int &$photos): string
    {
        $facts = array_filter([
            $turn['method'],
            'soil: ' . (self::SOIL[$turn['soil']] ?? $turn['soil']) . ($turn['grit'] ? ', gritty' : ''),
            $turn['water'] === 'treated'
                ? 'treated water'
                : ($turn['water'] === 'none'
                    ? 'no running water'
                    : 'tap water'),
            $turn['water_l'] === null ? null : round((float) $turn['water_l']) . ' l',
            $turn['minutes'] === null ? null : $turn['minutes'] . ' min',
            $turn['clay'] ? 'clayed' : null,
            $turn['looked_over'] ? 'base looked over' : null,
        ]);
        $html = sprintf(
            '<div%5$s><h%1$d>%2$s%3$s</h%1$d><p>%4$s</p>',
            $full ? 2 : 3,
            $turn['on'],
            $turn['by'] === null ? '' : ' · ' . e($turn['by']),
            e(ucfirst(implode(', ', $facts))) . '.',
            $full ? '' : ' class="turn"',
        );
        if ($turn['readings'] !== []) {
            $html .= implode(
                '',
                array_map(
                    static fn(array $reading): string => sprintf(
                        '<div class="drop">%s<div class="small">%s</div><div class="small quiet">%s%s</div></div>',
                        Paper::svg(Drawings::drop($reading['behaviour'], $reading['angle_deg']), 20, 13),
                        e($reading['behaviour']),
                        self::STAGES[$reading['stage']] ?? e($reading['stage']),
                        $reading['zone'] === 'paint'
                            ? ($reading['part'] === 'whole'
                                ? ''
                                : ', ' . e($reading['part']))
                            : ', ' . e($reading['zone']),
                    ),
                    $turn['readings'],
                ),
            );
        }
        $html .= implode('', array_map(static fn(string $says): string => '<p>' . e($says) . '</p>', $turn['says']));
        if ($turn['products'] !== []) {
            $html .= $full
                ? '<table><tr><th>Product</th><th>For</th><th>On</th><th class="right">Used</th><th class="gap">Batch</th></tr>' .
                    implode(
                        '',
                        array_map(
                            static fn(array $use): string => sprintf(
                                '<tr><td>%s</td><td>%s</td><td>%s</td><td class="right">%s</td><td class="gap">%s</td></tr>',
                                e($use['name']),
                                e($use['role']),
                                e($use['zone']),
                                $use['ml'] === null ? '–' : round((float) $use['ml']) . ' ml',
                                e($use['batch'] ?? '–'),
                            ),
                            $turn['products'],
                        ),
                    ) .
                    '</table>'
                : '<p class="quiet">' .
                    e(implode(', ', array_unique(array_column($turn['products'], 'name')))) .
                    '</p>';
        }
        if ($turn['seen'] !== []) {
            $html .=
                '<p>The base was looked over: ' .
                e(
                    implode(
                        ', ',
                        array_map(static fn(string $one): string => str_replace('-', ' ', $one), $turn['seen']),
                    ),
                ) .
                '.</p>';
        }
        if ($turn['left'] !== []) {
            $html .= '<p>Left for another visit: ' . $this->kinds($turn['left']) . '.</p>';
        }
        if ($full && $turn['refused'] !== []) {
            $html .=
                '<h3>Kept off it on purpose</h3><ul>' .
                implode(
                    '',
                    array_map(
                        static fn(array $one): string => '<li>' .
                            e(trim(($one['what'] ?? '') . ': ' . ($one['why'] ?? ''), ': ')) .
                            '</li>',
                        array_slice($turn['refused'], 0, 10),
                    ),
                ) .
                '</ul>';
        }
        $html .= $turn['note'] === null ? '' : '<p class="strong">' . e($turn['note']) . '</p>';
        $html .= $turn['corrected']
            ? '<p class="small quiet">Corrected later' .
                ($turn['reason'] === null ? '' : ': ' . e($turn['reason'])) .
                '. What stood before is kept.</p>'
            : '';

        return $html . '</div>' . $this->photos($turn['photos'], $photos);
    }

    /** @param list<array<string, mixed>> $photos */
    private function photos(array $photos, int &$shown): string
    {
        $html = '';
        foreach ($photos as $one) {
            if ($shown >= self::MOST_PHOTOS) {
                break;
            }
            $photo = Photo::query()->whereKey($one['id'])->first();
            $file = $photo === null ? null : Storage::disk('photos')->get($photo->path());
            if ($file !== null) {
                $shown++;
                $html .= sprintf(
                    '<div class="photo"><img src="data:image/jpeg;base64,%s"><div class="small quiet">%s, %s%s</div></div>',
                    base64_encode($file),
                    e($one['stage']),
                    e($one['zone']),
                    $one['note'] === null ? '' : ': ' . e($one['note']),
                );
            }
        }

        return $html;
    }
}
