<?php

declare(strict_types=1);

namespace App\Money;

use App\Print\Paper;
use App\Tenancy\Tenancy;

/**
 * A year's programme as it is offered: what is done how often, for how much, and what that takes for granted. What it
 * costs the business stays at home.
 */
final readonly class QuoteSheet
{
    private const KINDS = [
        'wash' => 'Wash',
        'topper' => 'Topper',
        'decon' => 'Decontamination',
        'inspection' => 'Base looked over',
        'base' => 'Base renewed',
    ];

    public function __construct(private Paper $paper, private Tenancy $tenancy) {}

    public function pdf(Quote $quote): string
    {
        $answer = $quote->told();
        $currency = is_string($answer['currency'] ?? null) ? $answer['currency'] : '';
        $money = static fn(mixed $minor): string => trim(
            $currency . ' ' . number_format((is_numeric($minor) ? (float) $minor : 0.0) / 100.0, 2),
        );
        $body = sprintf(
            '<div class="head"><h1>%s</h1><p class="quiet">%s%s · offered %s</p></div>',
            e($quote->title),
            e($this->tenancy->workspace()->name),
            $quote->client === null ? '' : ' for ' . e($quote->client->name),
            $this->tenancy->workspace()->dateOf($quote->made_at),
        );
        $body .= sprintf(
            '<p>One year: %d visits, %d toppers, about %s hours of work on %d vehicle%s.</p>',
            $answer['visits'],
            $answer['toppers'],
            $answer['hours'],
            count($answer['vehicles']),
            count($answer['vehicles']) === 1 ? '' : 's',
        );
        foreach ($answer['vehicles'] as $line) {
            $body .=
                '<div class="turn"><h2>' .
                e($line['vehicle']) .
                '</h2><p class="quiet">' .
                e($this->rhythm($line)) .
                '</p><table><tr><th>What</th><th class="right">Times</th><th class="right">Each</th><th class="right">Together</th></tr>';
            foreach ($line['lines'] as $one) {
                $body .= sprintf(
                    '<tr><td>%s</td><td class="right">%d</td><td class="right">%s</td><td class="right">%s</td></tr>',
                    self::KINDS[$one['kind']] ?? e($one['kind']),
                    $one['times'],
                    $money($one['each_minor']),
                    $money($one['minor']),
                );
            }
            $body .= sprintf(
                '<tr class="sum"><td colspan="3">%s</td><td class="right">%s</td></tr></table></div>',
                e($line['vehicle']),
                $money($line['price_minor']),
            );
        }
        $body .= sprintf(
            '<table><tr class="sum"><td>The year together</td><td class="right">%s</td></tr></table>',
            $money($answer['price_minor']),
        );
        $body .=
            '<h2>What this takes for granted</h2><ul>' .
            implode(
                '',
                array_map(
                    static fn(mixed $one): string => '<li>' . e(is_string($one) ? $one : '') . '</li>',
                    $answer['assumes'],
                ),
            ) .
            '</ul>';

        return $this->paper->pdf($quote->title, $body, $this->tenancy->workspace()->name);
    }

    /** @param array<string, mixed> $line */
    private function rhythm(array $line): string
    {
        return implode(
            ', ',
            array_filter([
                is_string($line['programme'] ?? null) ? $line['programme'] : null,
                "every {$line['every_days']} days",
                ($line['salt_every_days'] ?? null) === null
                    ? null
                    : "every {$line['salt_every_days']} while roads are salted",
                ($line['topper_weeks'] ?? null) === null
                    ? 'no topper'
                    : "a topper about every {$line['topper_weeks']} weeks",
                ($line['decon_days'] ?? null) === null ? null : "decontaminated every {$line['decon_days']} days",
            ]),
        );
    }
}
