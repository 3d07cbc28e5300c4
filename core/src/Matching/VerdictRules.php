<?php

declare(strict_types=1);

namespace Vicissa\Core\Matching;

/**
 * The compatibility rules that are numbers or tables (domain, model "verdict"), as a set a workspace may replace.
 */
final readonly class VerdictRules
{
    /**
     * @param array<string, array<string, Severity>> $strips  by Strips value, then by Family value
     * @param array<string, array<string, Severity>> $onWax   by Leaves value, then by Role value
     * @param list<string> $maskable                          Family values that wax and oils hide
     */
    public function __construct(
        public float $acidBelowPh = 4.0,
        public float $alkalineAbovePh = 10.0,
        public array $strips = [
            'strong' => [
                'wax' => Severity::Block,
                'polymer' => Severity::Block,
                'silica-spray' => Severity::Block,
                'ceramic' => Severity::Warn,
                'film' => Severity::Warn,
                'wrap' => Severity::Warn,
            ],
            'slight' => ['wax' => Severity::Warn, 'silica-spray' => Severity::Warn],
        ],
        public array $onWax = [
            'silica' => ['topper' => Severity::Block, 'drying-aid' => Severity::Warn],
            'polymer' => ['topper' => Severity::Warn, 'drying-aid' => Severity::Warn],
        ],
        public array $maskable = ['ceramic', 'silica-spray'],
    ) {}
}
