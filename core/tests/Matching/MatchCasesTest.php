<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Matching;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\Matching\Body;
use Vicissa\Core\Matching\Role;
use Vicissa\Core\Matching\Turn\Judged;
use Vicissa\Core\Matching\Turn\Missing;
use Vicissa\Core\Matching\Turn\Schools;
use Vicissa\Core\Matching\Turn\TurnMatch;
use Vicissa\Core\Matching\Zone;
use Vicissa\Core\Says\Said;
use Vicissa\Core\Visit\Caution;
use Vicissa\Core\Visit\Laying;
use Vicissa\Core\Visit\Outfit;
use Vicissa\Core\Visit\SectionPlan;
use Vicissa\Core\Visit\VisitStep;

/**
 * Turns as they happen, and what a careful practitioner would do. Written from the job, not from the program's answers.
 */
final class MatchCasesTest extends TestCase
{
    /**
     * @return iterable<string, array{array<string, mixed>, array<string, mixed>, array<string, string>}> facts,
     *     expected, schools
     */
    public static function cases(): iterable
    {
        yield 'an ordinary road film on a coating' => [
            ['scope' => 'full'],
            [
                'method' => 'two-mitts',
                'stages' => ['rinse', 'foam'],
                'left' => 2 * 0.2 * 0.4,
                'products' => [
                    'soap paint' => 'Bare Soap',
                    'foam paint' => 'Snow',
                    'wheel wheels' => 'Mild Wheel',
                    'glass glass' => 'Pane',
                    'tyre tyres' => 'Black Satin',
                    'drying-aid paint' => 'Karst Drift',
                ],
                'drying' => 'air-then-towel',
            ],
            [],
        ];
        yield 'light dust needs a rinse and nothing more before the mitts' => [
            ['soil' => 1, 'wheels' => 1],
            [
                'method' => 'two-mitts',
                'stages' => ['rinse'],
                'products' => ['foam paint' => null, 'soap wheels' => null, 'wheel wheels' => null],
                'missing' => ['Wheels that are kept weekly'],
            ],
            [],
        ];
        yield 'wheels kept weekly take a soap that is made for them' => [
            ['wheels' => 1, 'with' => [Scene::bottle('Wide Soap', 'soap', rinse: true, on: ['paint', 'wheels'])]],
            ['products' => ['soap wheels' => 'Wide Soap', 'wheel wheels' => null]],
            [],
        ];
        yield 'grime wants foam and a rinse before contact' => [
            ['soil' => 3],
            ['method' => 'two-mitts', 'stages' => ['rinse', 'foam'], 'left' => 3 * 0.2 * 0.4],
            [],
        ];
        yield 'heavy and gritty wants the spray as well' => [
            ['soil' => 4, 'grit' => true],
            [
                'method' => 'two-mitts',
                'stages' => ['rinse', 'prewash', 'foam'],
                'left' => 4 * 0.2 * 0.5 * 0.4,
                'products' => ['prewash paint' => 'Lifter'],
            ],
            [],
        ];
        yield 'caked soil is foamed twice' => [
            ['soil' => 5, 'read' => ['arrival' => 'flat']],
            [
                'method' => 'two-mitts',
                'stages' => ['rinse', 'prewash', 'foam', 'foam-again'],
                'left' => 5 * 0.5 * 0.5 * 0.4,
            ],
            [],
        ];
        yield 'one mitt stops at caked' => [
            ['soil' => 5],
            ['method' => 'multi-towel', 'refused' => ['one-mitt' => 'over its ceiling of 4']],
            ['method' => 'one-mitt'],
        ];
        yield 'touchless while it is only dusty and repels' => [
            ['soil' => 2, 'read' => ['arrival' => 'good']],
            [
                'method' => 'touchless',
                'stages' => ['foam', 'foam'],
                'products' => ['soap paint' => null, 'foam paint' => 'Snow'],
            ],
            ['method' => 'touchless'],
        ];
        yield 'touchless at its ceiling leaves a film: no towel, no topper over it' => [
            ['soil' => 3, 'due' => -5, 'read' => ['arrival' => 'tight']],
            [
                'method' => 'touchless',
                'topper' => 'none',
                'drying' => 'air-only',
                'why' => 'faint film stays',
                'products' => ['drying-aid paint' => null],
            ],
            ['method' => 'touchless'],
        ];
        yield 'touchless is refused where water does not run off' => [
            ['soil' => 2, 'read' => ['arrival' => 'flat']],
            ['method' => 'multi-towel', 'refused' => ['touchless' => 'layer that repels']],
            ['method' => 'touchless'],
        ];
        yield 'touchless is refused on bare paint' => [
            ['base' => null],
            [
                'method' => 'multi-towel',
                'refused' => ['touchless' => 'layer that repels'],
                'topper' => 'none',
                'topper_why' => 'suggest a base layer',
            ],
            ['method' => 'touchless'],
        ];
        yield 'touchless is refused without pressure' => [
            ['pressure' => false],
            ['refused' => ['touchless' => 'pressure water']],
            ['method' => 'touchless'],
        ];
        yield 'no water and soil 3: not here, not today' => [
            ['water' => 'none', 'soil' => 3],
            [
                'method' => null,
                'refused' => [
                    'rinseless' => 'over its ceiling of 2',
                    'waterless' => 'over its ceiling of 1',
                    'two-mitts' => 'no water',
                ],
                'instead' => ['Bring a tank'],
                'topper' => 'none',
                'cautions' => [],
            ],
            [],
        ];
        yield 'no water and a road film: rinseless' => [
            ['water' => 'none', 'soil' => 2],
            [
                'method' => 'rinseless',
                'stages' => [],
                'left' => 2.0,
                'products' => [
                    'rinseless paint' => 'Bucket Wash',
                    'rinseless wheels' => 'Bucket Wash',
                    'soap paint' => null,
                ],
                'final' => 'none',
                'drying' => 'at-once',
                'towels' => 3,
            ],
            [],
        ];
        yield 'no water, a road film and grit: not here' => [
            ['water' => 'none', 'soil' => 2, 'grit' => true],
            ['method' => null, 'refused' => ['rinseless' => 'grit', 'waterless' => 'grit']],
            [],
        ];
        yield 'no water and light dust: rinseless is gentler than waterless' => [
            ['water' => 'none', 'soil' => 1],
            ['method' => 'rinseless'],
            [],
        ];
        yield 'waterless only when there is nothing better, for dust' => [
            ['water' => 'none', 'soil' => 1, 'without' => ['Bucket Wash']],
            ['method' => 'waterless', 'refused' => ['rinseless' => 'no rinseless wash on the shelf'], 'towels' => 3],
            [],
        ];
        yield 'and for more than dust it is refused' => [
            ['water' => 'none', 'soil' => 2, 'without' => ['Bucket Wash']],
            ['method' => null, 'missing' => ['rinseless wash']],
            [],
        ];
        yield 'frost: no wet work outdoors' => [
            ['weather' => [-1.0, 0.8, 1.0, 0.0], 'panel' => -1.0],
            [
                'method' => null,
                'refused' => ['two-mitts' => 'no wet work outdoors', 'rinseless' => 'no wet work outdoors'],
                'instead' => ['warm bay'],
            ],
            [],
        ];
        yield 'frost outside, a warm bay: rinseless, and the seals dried' => [
            ['weather' => [-3.0, 0.8, 1.0, 0.0], 'panel' => null, 'bay' => true],
            ['method' => 'rinseless', 'refused' => ['two-mitts' => 'Frost outside'], 'how' => ['Door seals']],
            [],
        ];
        yield 'frost and a bay, but gritty: not today' => [
            ['weather' => [-3.0, 0.8, 1.0, 0.0], 'panel' => null, 'bay' => true, 'soil' => 4, 'grit' => true],
            ['method' => null],
            [],
        ];
        yield 'a coated black saloon in hard sun: cooled first, and then too hot for soap' => [
            ['tone' => 'black', 'weather' => [26.0, 0.45, 1.5, 800.0], 'panel' => null],
            [
                'method' => 'rinseless',
                'refused' => ['two-mitts' => 'too hot'],
                'how' => ['Plain water over the panels'],
                'passed' => ['Bare Soap paint' => 'too-hot'],
            ],
            [],
        ];
        yield 'and without water it is left for another hour' => [
            ['tone' => 'black', 'weather' => [26.0, 0.45, 1.5, 800.0], 'panel' => null, 'water' => 'none'],
            ['method' => null, 'refused' => ['rinseless' => 'above'], 'instead' => ['shade']],
            [],
        ];
        yield 'the same in shade, by sections' => [
            ['tone' => 'black', 'weather' => [26.0, 0.45, 1.5, 800.0], 'panel' => 29.0, 'shade' => true],
            ['method' => 'two-mitts', 'products' => ['soap paint' => 'Bare Soap']],
            [],
        ];
        yield 'warm and windy: what has to dwell dries first' => [
            ['tone' => 'black', 'weather' => [24.0, 0.3, 6.0, 500.0], 'panel' => 31.0, 'due' => -1],
            ['passed' => ['Rust Bloom paint' => 'dries-first'], 'sections' => ['wash' => 13]],
            [],
        ];
        yield 'a matte wrap: blotted, and nothing glossy' => [
            ['base' => ['wrap'], 'finish' => ['matte'], 'due' => -1],
            [
                'method' => 'two-mitts',
                'drying' => 'air-and-blot',
                'products' => ['soap paint' => 'Plain Soap'],
                'passed' => ['Wax Soap paint' => 'not-for-matte', 'Bee Coat paint' => 'not-for-matte'],
                'cautions' => ['Edges of film, wrap'],
            ],
            [],
        ];
        yield 'tar on a wrap is not for solvent' => [
            ['base' => ['wrap'], 'on' => ['tar']],
            [
                'products' => ['tar paint' => null],
                'missing' => ['Tar'],
                'passed' => ['Tarlift paint' => 'solvent-on-film'],
            ],
            [],
        ];
        yield 'tar on a wrap with a topper over it is still a wrap' => [
            ['base' => ['wrap'], 'topper_on' => ['silica-spray'], 'on' => ['tar']],
            ['products' => ['tar paint' => null], 'passed' => ['Tarlift paint' => 'solvent-on-film']],
            [],
        ];
        yield 'tar on a coating: solvent with a caution, then read again' => [
            ['on' => ['tar'], 'due' => -3],
            [
                'products' => ['tar paint' => 'Tarlift'],
                'topper' => 'decon-first',
                'cautions' => ['Tarlift: moving air', 'gloves'],
            ],
            [],
        ];
        yield 'iron specks: remover, and the topper waits for the reading' => [
            ['on' => ['iron'], 'due' => -3],
            ['products' => ['iron paint' => 'Rust Bloom'], 'topper' => 'decon-first'],
            [],
        ];
        yield 'rough after all that: clay, but not on a wrap' => [
            ['base' => ['wrap'], 'on' => ['rough']],
            ['products' => ['clay-lube paint' => null], 'passed' => ['Slip paint' => 'no-clay-here']],
            [],
        ];
        yield 'insects are softened, not scrubbed' => [
            ['on' => ['insects']],
            ['products' => ['prewash paint' => 'Lifter'], 'order' => ['Soften'], 'how' => ['without rubbing']],
            [],
        ];
        yield 'a wax topper on wax under an ivory tourer' => [
            [
                'base' => ['wax', 'Beeswing'],
                'finish' => ['single-stage'],
                'tone' => 'white',
                'hardness' => 'soft',
                'due' => -2,
                'wheel_finish' => 'chrome',
            ],
            [
                'products' => ['topper paint' => 'Bee Coat', 'soap paint' => 'Wax Soap', 'drying-aid paint' => null],
                'topper' => 'apply',
                'passed' => ['Karst Veil paint' => 'no-bond'],
                'cautions' => ['gives colour to the mitt'],
                'why' => 'The paint is soft',
            ],
            [],
        ];
        yield 'wax on single-stage paint before a reset' => [
            ['base' => ['wax', 'Beeswing'], 'finish' => ['single-stage'], 'purpose' => 'reset', 'due' => -2],
            [
                'products' => ['prewash paint' => 'Stripper', 'soap paint' => 'Plain Soap', 'drying-aid paint' => null],
                'topper' => 'none',
                'topper_why' => 'new base goes on first',
                'passed' => ['Wax Soap paint' => 'reset-wants-bare', 'Lifter paint' => 'does-not-strip'],
            ],
            [],
        ];
        yield 'a stripper is refused when the wax is to stay' => [
            ['base' => ['wax', 'Beeswing'], 'soil' => 4],
            ['products' => ['prewash paint' => 'Lifter'], 'passed' => ['Stripper paint' => 'strips-layer']],
            [],
        ];
        yield 'bare face: wax soap on a coating is refused' => [
            ['without' => ['Bare Soap', 'Plain Soap']],
            [
                'method' => 'touchless',
                'passed' => ['Wax Soap paint' => 'masks-layer'],
                'refused' => ['two-mitts' => 'ruled out here'],
            ],
            [],
        ];
        yield 'tolerated: the same with a caution' => [
            ['without' => ['Bare Soap', 'Plain Soap']],
            ['method' => 'two-mitts', 'products' => ['soap paint' => 'Wax Soap']],
            ['bare-face' => 'tolerated'],
        ];
        yield 'a wax topper over a coating is still over a coating' => [
            ['topper_on' => ['wax'], 'due' => -1],
            [
                'passed' => ['Bee Coat paint' => 'masks-layer', 'Karst Veil paint' => 'no-bond'],
                'products' => ['topper paint' => 'Poly Mist'],
            ],
            [],
        ];
        yield 'a show shine is not a topper' => [
            ['due' => -1, 'without' => ['Karst Veil', 'Poly Mist', 'Bee Coat']],
            [
                'topper' => 'not-today',
                'products' => ['topper paint' => null],
                'passed' => ['Gleam paint' => 'show-shine'],
            ],
            ['bare-face' => 'tolerated'],
        ];
        yield 'the line of the coating before the cheaper bottle' => [
            ['due' => -1],
            ['topper' => 'apply', 'products' => ['topper paint' => 'Karst Veil']],
            [],
        ];
        yield 'with equal fit the cheaper use' => [
            ['base' => ['polymer'], 'due' => -1, 'without' => ['Karst Veil']],
            ['products' => ['topper paint' => 'Poly Mist', 'soap paint' => 'Plain Soap']],
            [],
        ];
        yield 'not due, not topped' => [
            ['due' => 40],
            ['topper' => 'none', 'topper_why' => 'early enough', 'products' => ['topper paint' => null]],
            [],
        ];
        yield 'due before the next visit counts as due' => [
            ['due' => 9],
            ['topper' => 'apply', 'topper_why' => 'before the next visit'],
            [],
        ];
        yield 'more caution brings it forward' => [['due' => 18], ['topper' => 'apply'], ['caution' => '10']];
        yield 'less caution puts it off' => [['due' => 9, 'rhythm' => 14], ['topper' => 'none'], ['caution' => '50']];
        yield 'no date at all: let the clean water decide' => [
            ['due' => null],
            ['topper' => 'read-first', 'products' => ['topper paint' => 'Karst Veil']],
            [],
        ];
        yield 'the school that waits for the water' => [
            ['due' => -20],
            ['topper' => 'read-first'],
            ['topper' => 'when-it-fails'],
        ];
        yield 'and has seen it fail' => [
            ['due' => -20, 'failed' => true],
            ['topper' => 'apply'],
            ['topper' => 'when-it-fails'],
        ];
        yield 'flat on arrival is no reason for a topper' => [
            ['due' => 40, 'read' => ['arrival' => 'flat']],
            ['topper' => 'none'],
            [],
        ];
        yield 'clean and failing: decontaminate first' => [
            ['due' => -3, 'read' => ['after_wash' => 'weak']],
            ['topper' => 'decon-first', 'products' => ['iron paint' => 'Rust Bloom']],
            [],
        ];
        yield 'still failing after that: spent' => [
            ['due' => 40, 'read' => ['after_wash' => 'weak', 'after_decon' => 'weak']],
            ['topper' => 'apply', 'topper_why' => 'spent', 'products' => ['iron paint' => null]],
            [],
        ];
        yield 'beads are back: optional' => [
            ['due' => -3, 'read' => ['after_wash' => 'weak', 'after_decon' => 'tight']],
            ['topper' => 'optional'],
            [],
        ];
        yield 'a surface made to sheet holds when it sheets' => [
            ['base' => ['ceramic', 'Karst', 'sheets'], 'read' => ['arrival' => 'sheeting']],
            ['left' => 2 * 0.2 * 0.4, 'drying' => 'sheet-then-towel'],
            [],
        ];
        yield 'rain: not today' => [
            ['due' => -3, 'rain' => true],
            ['topper' => 'not-today', 'topper_why' => 'under a roof'],
            [],
        ];
        yield 'too cold for the wax, not for the spray' => [
            ['base' => ['polymer'], 'due' => -3, 'panel' => 6.0],
            ['passed' => ['Bee Coat paint' => 'too-cold'], 'topper' => 'apply'],
            [],
        ];
        yield 'every wash a topper, due or not' => [['due' => 60], ['topper' => 'apply'], ['topper' => 'every-wash']];
        yield 'never a drying aid' => [[], ['products' => ['drying-aid paint' => null]], ['drying-aid' => 'never']];
        yield 'an aid only with a topper' => [
            ['due' => 60],
            ['products' => ['drying-aid paint' => null]],
            ['drying-aid' => 'with-topper'],
        ];
        yield 'gloss-black wheels: no bristles' => [
            ['wheel_finish' => 'gloss-black', 'wheels' => 3],
            ['cautions' => ['no bristles'], 'how' => ['Mitt and soft cloth']],
            [],
        ];
        yield 'bare-metal wheels: no acid' => [
            ['wheel_finish' => 'bare-metal', 'wheels' => 3],
            ['products' => ['wheel wheels' => 'Mild Wheel'], 'passed' => ['Acid Wheel wheels' => 'acid-on-sensitive']],
            [],
        ];
        yield 'chrome counts as sensitive to acid' => [
            ['wheel_finish' => 'chrome', 'wheels' => 3],
            ['products' => ['wheel wheels' => 'Mild Wheel'], 'passed' => ['Acid Wheel wheels' => 'acid-on-sensitive']],
            [],
        ];
        yield 'an acid is offered, never chosen' => [
            ['wheels' => 3, 'without' => ['Mild Wheel']],
            ['products' => ['wheel wheels' => null], 'passed' => ['Acid Wheel wheels' => 'acid-offered']],
            [],
        ];
        yield 'an acid that somebody chose' => [
            ['wheels' => 3, 'taken' => ['Acid Wheel']],
            [
                'products' => ['wheel wheels' => 'Acid Wheel'],
                'cautions' => ['Acid Wheel: gloves and goggles', 'never with bleach'],
            ],
            [],
        ];
        yield 'the gentlest that is strong enough' => [
            [
                'soil' => 4,
                'with' => [
                    Scene::bottle(
                        'Softer',
                        'prewash',
                        ph: 10.0,
                        rinse: true,
                        dwell: [60, 240],
                        price: 0.02,
                        mix: ['sprayer' => 0.05],
                    ),
                ],
            ],
            ['products' => ['prewash paint' => 'Softer']],
            [],
        ];
        yield 'unpriced is not free' => [
            [
                'base' => ['polymer'],
                'without' => ['Bare Soap'],
                'with' => [Scene::bottle('A Soap', 'soap', rinse: true)],
            ],
            ['products' => ['soap paint' => 'Plain Soap']],
            [],
        ];
        yield 'a suspect layer is decontaminated and read again, not topped' => [
            ['due' => 30, 'suspect' => true],
            ['topper' => 'decon-first', 'products' => ['iron paint' => 'Rust Bloom'], 'drying' => 'sheet-then-towel'],
            [],
        ];
        yield 'once it holds again nothing speaks of what was' => [
            ['due' => 30, 'suspect' => true, 'read' => ['after_decon' => 'tight']],
            ['topper' => 'optional', 'products' => ['iron paint' => null], 'drying' => 'air-then-towel'],
            [],
        ];
        yield 'what is planned is what is worked' => [
            ['due' => 40, 'kinds' => ['wash', 'topper', 'decon']],
            [
                'topper' => 'apply',
                'topper_why' => 'planned',
                'products' => ['iron paint' => 'Rust Bloom', 'topper paint' => 'Karst Veil'],
            ],
            [],
        ];
        yield 'and what is not planned is not' => [
            ['due' => 5, 'kinds' => ['wash']],
            ['topper' => 'none', 'topper_why' => 'The plan has none'],
            [],
        ];
        yield 'a planned topper leaves when rain comes' => [
            ['due' => 5, 'kinds' => ['wash', 'topper'], 'rain' => true],
            ['topper' => 'not-today'],
            [],
        ];
        yield 'no rinse topper without a hose' => [
            ['water' => 'none', 'soil' => 1, 'due' => -2],
            [
                'passed' => ['Karst Veil paint' => 'needs-hose', 'Poly Mist paint' => 'needs-hose'],
                'topper' => 'not-today',
            ],
            [],
        ];
        yield 'a quick visit on dust is wiped' => [
            ['soil' => 1, 'scope' => 'quick'],
            ['method' => 'rinseless', 'products' => ['wheel wheels' => null, 'glass glass' => null]],
            [],
        ];
        yield 'a quick visit on grime is washed' => [['soil' => 3, 'scope' => 'quick'], ['method' => 'two-mitts'], []];
        yield 'near frost the seals are dried and nothing dries by itself' => [
            ['weather' => [2.5, 0.9, 1.0, 0.0], 'panel' => 5.0, 'water' => 'treated', 'tap' => 340.0, 'treated' => 8.0],
            ['how' => ['Near frost: dry the door seals'], 'not_how' => ['may dry by itself']],
            [],
        ];
        yield 'burnt-in brake dust takes iron remover' => [
            ['wheels' => 4],
            ['products' => ['iron wheels' => 'Rust Bloom'], 'cautions' => ['brake discs']],
            [],
        ];
        yield 'a wheel layer that is due' => [
            ['wheel_layer' => ['silica-spray', 'Karst'], 'wheels_due' => -2, 'due' => 60],
            ['products' => ['topper wheels' => 'Karst Veil', 'topper paint' => null]],
            [],
        ];
        yield 'decals: solvent with a caution, edges minded' => [
            ['base' => ['polymer'], 'finish' => ['decals'], 'on' => ['tar']],
            [
                'products' => ['tar paint' => 'Tarlift'],
                'choice_cautions' => ['tar paint' => 'Solvent marks'],
                'cautions' => ['Edges of film, wrap and decals'],
            ],
            [],
        ];
        yield 'lifting edges are blotted' => [
            ['loose' => true],
            ['cautions' => ['blot instead of pulling'], 'not_how' => ['Detail brush']],
            [],
        ];
        yield 'hard water on black: panel by panel' => [
            ['tone' => 'black', 'tap' => 340.0],
            ['final' => 'tap', 'spots' => 'visible', 'final_why' => 'panel by panel'],
            [],
        ];
        yield 'hard water on white shows less' => [['tone' => 'white', 'tap' => 340.0], ['spots' => 'faint'], []];
        yield 'of two measured waters the cleaner comes last' => [
            ['water' => 'treated', 'tap' => 90.0, 'treated' => 140.0],
            ['final' => 'tap', 'final_why' => 'no harder'],
            [],
        ];
        yield 'treated water comes last' => [
            ['water' => 'treated', 'tap' => 340.0, 'treated' => 8.0],
            ['final' => 'treated', 'spots' => 'none', 'how' => ['may dry by itself']],
            [],
        ];
        yield 'soft tap water spares the tank' => [
            ['water' => 'treated', 'tap' => 20.0, 'treated' => 8.0],
            ['final' => 'tap', 'final_why' => 'keep the tank'],
            [],
        ];
        yield 'treated water that is not' => [
            ['water' => 'treated', 'treated' => 180.0],
            ['contradictions' => ['hardly treated']],
            [],
        ];
        yield 'tap nobody measured is taken as hard' => [
            ['tap' => null],
            ['assumed' => ['tap water'], 'missing' => ['How hard']],
            [],
        ];
        yield 'no power, but packs: blown' => [
            ['power' => false, 'battery' => true],
            ['drying' => 'air-then-towel'],
            [],
        ];
        yield 'matte without power is blotted, not blown' => [
            ['power' => false, 'finish' => ['matte'], 'base' => ['wrap']],
            ['drying' => 'blot'],
            [],
        ];
        yield 'warm air when one wishes it' => [[], ['drying' => 'warm-air'], ['drying' => 'warm-air']];
        yield 'warm air wants a socket' => [
            ['power' => false, 'battery' => true],
            ['drying' => 'air-then-towel'],
            ['drying' => 'warm-air'],
        ];
        yield 'no power: sheet it off' => [['power' => false], ['drying' => 'sheet-then-towel'], []];
        yield 'an unknown base: only what suits all' => [
            ['base' => 'unknown', 'due' => null],
            [
                'products' => ['topper paint' => 'Poly Mist', 'soap paint' => 'Plain Soap'],
                'passed' => ['Karst Veil paint' => 'no-bond', 'Bee Coat paint' => 'masks-layer'],
                'assumed' => ['Nobody knows'],
                'missing' => ['What lies on the paint'],
            ],
            [],
        ];
        yield 'a shelf without foam uses the spray' => [
            ['soil' => 3, 'without' => ['Snow']],
            ['method' => 'two-mitts', 'stages' => ['rinse', 'prewash'], 'left' => 3 * 0.2 * 0.5],
            [],
        ];
        yield 'a shelf with neither may not touch grime' => [
            ['soil' => 3, 'without' => ['Snow', 'Lifter', 'Stripper']],
            ['method' => null, 'refused' => ['two-mitts' => 'needs a pre-wash'], 'missing' => ['No foam']],
            [],
        ];
        yield 'a shelf without soap' => [
            ['without' => ['Bare Soap', 'Plain Soap', 'Wax Soap']],
            ['method' => 'touchless', 'refused' => ['two-mitts' => 'no soap on the shelf']],
            [],
        ];
        yield 'an empty shelf invents nothing' => [
            ['without' => array_map(static fn($bottle): string => $bottle->name, Scene::shelf())],
            ['method' => null, 'missing' => ['No soap'], 'products' => ['soap paint' => null]],
            [],
        ];
        yield 'none left is still chosen, with a caution' => [
            [
                'without' => ['Plain Soap', 'Bare Soap'],
                'base' => ['wax'],
                'with' => [Scene::bottle('Gone', 'soap', line: null, rinse: true, stock: false)],
            ],
            ['products' => ['soap paint' => 'Wax Soap']],
            [],
        ];
        yield 'clean, yet gritty' => [
            ['soil' => 0, 'grit' => true],
            ['stages' => ['rinse', 'foam'], 'contradictions' => ['Clean, yet gritty']],
            [],
        ];
        yield 'bare, yet it beads' => [
            ['base' => null, 'read' => ['arrival' => 'tight']],
            ['contradictions' => ['Nothing is said to be on the paint']],
            [],
        ];
        yield 'a reset of a coating is questioned' => [
            ['purpose' => 'reset'],
            ['contradictions' => ['Is it really meant']],
            [],
        ];
        yield 'wheels first or after the paint’s rinse' => [
            [],
            ['order' => ['Rinse', 'Wheels', 'Wash']],
            ['wheels' => 'paint-first'],
        ];
        yield 'order-free is for towels' => [
            [],
            ['contradictions' => ['Order-free'], 'how' => ['Cleanest panels first']],
            ['order' => 'free'],
        ];
        yield 'order-free with towels' => [
            [],
            ['method' => 'multi-towel', 'how' => ['The shortest way round'], 'towels' => 2],
            ['order' => 'free', 'method' => 'multi-towel'],
        ];
        yield 'a library’s roof is worked from a platform' => [
            ['m2' => 60.0, 'material' => 'fibreglass', 'finish' => ['decals'], 'base' => ['polymer']],
            ['cautions' => ['proper platform']],
            [],
        ];
        yield 'run-off is asked, never allowed' => [
            ['run_off' => 'gully to the road'],
            ['cautions' => ['gully to the road', 'local rules decide']],
            [],
        ];
    }

    /**
     * @param array<string, mixed> $facts
     * @param array<string, mixed> $expect
     * @param array<string, string> $schools
     */
    #[DataProvider('cases')]
    public function testCase(array $facts, array $expect, array $schools = []): void
    {
        $laying = Laying::of(Scene::of($facts), Schools::of($schools), new Outfit(1, Body::Estate));
        $match = $laying->match;
        $chosen = $match->method->chosen;
        foreach ($expect as $what => $wanted) {
            match ($what) {
                'method' => self::assertSame($wanted, $chosen?->method->value, Told::en($match->method->why)),
                'why' => self::assertStringContainsString($wanted, Told::en($match->method->why)),
                'stages' => self::assertSame(
                    $wanted,
                    array_map(static fn(array $stage): string => $stage['stage']->value, $chosen->path->stages ?? []),
                ),
                'left' => self::assertEqualsWithDelta($wanted, $chosen?->path->left, 1e-9),
                'refused' => $this->assertRefused($wanted, $match),
                'products' => $this->assertProducts($wanted, $match),
                'passed' => $this->assertPassed($wanted, $match),
                'topper' => self::assertSame($wanted, $match->topper->decision->value, Told::en($match->topper->why)),
                'topper_why' => self::assertStringContainsString($wanted, Told::en($match->topper->why)),
                'final' => self::assertSame($wanted, $match->finalRinse->water->value),
                'final_why' => self::assertStringContainsString($wanted, Told::en($match->finalRinse->why)),
                'spots' => self::assertSame($wanted, $match->finalRinse->residue?->spots->value),
                'drying' => self::assertSame($wanted, $match->drying->way->value),
                'towels' => self::assertSame($wanted, $match->towels?->towels),
                'sections' => self::assertEquals(
                    $wanted,
                    array_intersect_key(
                        array_column(
                            array_map(
                                static fn(SectionPlan $plan): array => [$plan->step->value, $plan->goes],
                                $laying->sections,
                            ),
                            1,
                            0,
                        ),
                        $wanted,
                    ),
                ),
                'cautions' => $this->assertSaid(
                    $wanted,
                    array_map(static fn(Caution $caution): Said => $caution->says, $laying->cautions()),
                ),
                'choice_cautions' => array_walk(
                    $wanted,
                    static fn(string $part, string $key) => self::assertStringContainsString(
                        $part,
                        implode(' ', Told::all($match->choice(...self::key($key))?->cautions() ?? [])),
                    ),
                ),
                'how' => $this->assertSaid($wanted, $this->how($laying)),
                'not_how' => self::assertStringNotContainsString(
                    $wanted[0],
                    implode(' ', Told::all($this->how($laying))),
                ),
                'order' => self::assertSame(
                    $wanted,
                    array_values(array_intersect(Told::all($laying->parts()['order']), $wanted)),
                ),
                'missing' => $this->assertSaid(
                    $wanted,
                    array_map(static fn(Missing $missing): Said => $missing->says, $match->doubts->missing),
                ),
                'assumed' => $this->assertSaid($wanted, $match->doubts->assumed),
                'contradictions' => $this->assertSaid($wanted, $match->doubts->contradictions),
                'instead' => $this->assertSaid($wanted, $match->method->instead),
                default => self::fail("Nothing checks “{$what}”."),
            };
        }
    }

    public function testThereAreCasesEnough(): void
    {
        self::assertGreaterThan(40, count(iterator_to_array(self::cases())));
    }

    /** @return array{Role, Zone} */
    private static function key(string $key): array
    {
        [$role, $zone] = explode(' ', $key);

        return [Role::from($role), Zone::from($zone)];
    }

    /** @param array<string, string> $wanted */
    private function assertRefused(array $wanted, TurnMatch $match): void
    {
        foreach ($match->method->options as $option) {
            if (isset($wanted[$option->method->value])) {
                self::assertFalse($option->allowed(), $option->method->value);
                self::assertStringContainsString(
                    $wanted[$option->method->value],
                    implode(' ', Told::all($option->refused)),
                );
                unset($wanted[$option->method->value]);
            }
        }
        self::assertSame([], $wanted);
    }

    /** @param array<string, string|null> $wanted */
    private function assertProducts(array $wanted, TurnMatch $match): void
    {
        foreach ($wanted as $key => $name) {
            $choice = $match->choice(...self::key($key));
            self::assertSame($name, $choice?->chosen?->bottle->name, $key . ': ' . Told::en($choice?->why));
        }
    }

    /** @param array<string, string> $wanted  code or reason by product and zone */
    private function assertPassed(array $wanted, TurnMatch $match): void
    {
        foreach ($wanted as $key => $code) {
            $found =
                array_values(
                    array_filter(
                        $match->passed,
                        static fn(Judged $judged): bool => "{$judged->bottle->name} {$judged->zone->value}" === $key,
                    ),
                )[0] ?? self::fail("{$key} was not passed over.");
            self::assertContains(
                $code,
                [
                    $found->reason?->value,
                    ...array_map(static fn($remark): string => $remark->code->value, $found->verdict->remarks),
                ],
                $key,
            );
            self::assertFalse($found->allowed(), $key);
        }
    }

    /**
     * @param list<string> $wanted
     * @param list<Said> $said
     */
    private function assertSaid(array $wanted, array $said): void
    {
        foreach ($wanted as $part) {
            self::assertStringContainsString($part, implode("\n", Told::all($said)));
        }
        if ($wanted === []) {
            self::assertSame([], $said);
        }
    }

    /** @return list<Said> */
    private function how(Laying $laying): array
    {
        return array_merge([], ...array_map(static fn(VisitStep $step): array => $step->how, $laying->steps));
    }
}
