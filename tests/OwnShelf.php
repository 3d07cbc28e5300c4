<?php

declare(strict_types=1);

namespace Tests;

/** What an own business begins with: its bottles and its gear, as the API takes them. */
final class OwnShelf
{
    /** Bottles an own shelf begins with. */
    public const BOTTLES = [
        'prewash' => ['name' => 'Quern Loosen', 'role' => 'prewash', 'surfaces' => ['paint', 'wheels'], 'ph' => 9.5, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 120, 'dwell_max_s' => 300, 'dilutions' => ['sprayer' => '1:10'], 'applied' => null, 'min_c' => 0, 'max_c' => 35],
        'foam' => ['name' => 'Quern Fleece', 'role' => 'foam', 'surfaces' => ['paint', 'glass', 'wheels'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 180, 'dwell_max_s' => 480, 'dilutions' => ['lance' => '1.5 %'], 'min_c' => 0, 'max_c' => 35],
        'soap' => ['name' => 'Quern Plain', 'role' => 'soap', 'surfaces' => ['paint', 'glass', 'trim', 'wheels'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dilutions' => ['bucket' => '2 capfuls in 10 l'], 'min_c' => 0, 'max_c' => 40],
        'rinseless' => ['name' => 'Quern Spare', 'role' => 'rinseless', 'surfaces' => ['paint', 'glass', 'trim', 'wheels'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => false, 'may_dry' => false, 'dilutions' => ['bucket' => '1:256', 'sprayer' => '1:128'], 'min_c' => 2, 'max_c' => 35],
        'wheel' => ['name' => 'Quern Hub', 'role' => 'wheel', 'surfaces' => ['wheels'], 'ph' => 7.5, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 60, 'dwell_max_s' => 600, 'dilutions' => ['wheel' => '1:2'], 'min_c' => 0, 'max_c' => 35],
        'iron' => ['name' => 'Quern Rust', 'role' => 'iron', 'surfaces' => ['paint', 'wheels'], 'ph' => 6.5, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'dwell_min_s' => 120, 'dwell_max_s' => 300, 'dilutions' => ['bottle' => 'neat'], 'min_c' => 5, 'max_c' => 30],
        'drying-aid' => ['name' => 'Quern Glide', 'role' => 'drying-aid', 'surfaces' => ['paint', 'glass'], 'ph' => 7, 'leaves' => 'silica', 'strips' => 'none', 'rinse' => false, 'may_dry' => true, 'dilutions' => ['bottle' => '1:4'], 'applied' => 'drying-aid', 'min_c' => 2, 'max_c' => 35],
        'topper' => ['name' => 'Quern Hood', 'role' => 'topper', 'surfaces' => ['paint', 'glass'], 'ph' => 7, 'leaves' => 'silica', 'strips' => 'none', 'rinse' => true, 'may_dry' => false, 'applied' => 'wet-rinse', 'family' => 'silica-spray', 'label_low_weeks' => 8, 'label_high_weeks' => 12, 'dwell_min_s' => 30, 'dwell_max_s' => 120, 'dilutions' => ['bottle' => 'neat'], 'min_c' => 5, 'max_c' => 30],
        'glass' => ['name' => 'Quern Pane', 'role' => 'glass', 'surfaces' => ['glass'], 'ph' => 7, 'leaves' => 'nothing', 'strips' => 'none', 'rinse' => false, 'may_dry' => true, 'dilutions' => ['bottle' => 'neat']],
        'tyre' => ['name' => 'Quern Tread', 'role' => 'tyre', 'surfaces' => ['tyres'], 'leaves' => 'polymer', 'strips' => 'none', 'rinse' => false, 'may_dry' => true, 'dilutions' => ['bottle' => 'neat']],
    ];

    public const GEAR = [
        ['kind' => 'washer', 'name' => 'Washer', 'facts' => ['l_min' => 8]], ['kind' => 'lance', 'name' => 'Lance', 'facts' => ['ml' => 1000]], ['kind' => 'bucket', 'name' => 'Bucket one', 'facts' => ['ml' => 15000]], ['kind' => 'bucket', 'name' => 'Bucket two', 'facts' => ['ml' => 15000]],
        ['kind' => 'sprayer', 'name' => 'Sprayer', 'facts' => ['ml' => 1500]], ['kind' => 'bottle', 'name' => 'Bottle', 'facts' => ['ml' => 1000]], ['kind' => 'blower', 'name' => 'Dryer', 'facts' => ['w' => 900]],
        ['kind' => 'towel', 'name' => 'Wash towels', 'facts' => ['count' => 30, 'use' => 'wash']], ['kind' => 'towel', 'name' => 'Upper mitts', 'facts' => ['count' => 4, 'use' => 'upper-mitt']], ['kind' => 'towel', 'name' => 'Lower mitts', 'facts' => ['count' => 4, 'use' => 'lower-mitt']],
        ['kind' => 'towel', 'name' => 'Large towels', 'facts' => ['count' => 8, 'use' => 'large']], ['kind' => 'towel', 'name' => 'Medium towels', 'facts' => ['count' => 12, 'use' => 'medium']],
    ];
}
