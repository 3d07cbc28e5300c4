<?php

declare(strict_types=1);

namespace Tests\Feature;

use App\Tables\Tables;
use App\Tables\UnreadableFile;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;

/** Tables out and in again. */
final class TablesTest extends TestCase
{
    private const AWKWARD = [
        '=1+1',
        '-5 spare',
        '+49 30',
        '@home',
        '＝SUM(A1)',
        '－5',
        "a \"quoted\" one, with a comma;\nand a second line",
        'plain',
        '-5',
        '–',
        'Straße 7; ⅓',
    ];

    #[TestWith([','])]
    #[TestWith([';'])]
    #[TestWith(["\t"])]
    public function testWhatGoesOutComesInAgain(string $comma): void
    {
        $rows = array_map(static fn(string $cell): array => [$cell, 'beside'], self::AWKWARD);
        $text = Tables::write(['Name', 'Note'], $rows, $comma);
        self::assertStringStartsWith("\u{FEFF}", $text, 'spreadsheets take it for UTF-8 by this mark');
        $read = Tables::read($text, 100);
        self::assertSame(['name', 'note'], $read['head']);
        self::assertSame(self::AWKWARD, array_column(array_column($read['rows'], 'cells'), 'name'));
        self::assertSame(range(2, count(self::AWKWARD) + 1), array_column($read['rows'], 'row'));
    }

    public function testNothingInItIsAFormula(): void
    {
        foreach (self::AWKWARD as $cell) {
            $written = explode("\n", Tables::write(['name'], [[$cell]]), 2)[1];
            self::assertSame(0, preg_match('/^"?[=+@＝＋－＠]/u', $written), $cell);
            self::assertTrue(is_numeric($cell) || preg_match('/^"?-/', $written) === 0, $cell);
        }
        self::assertStringContainsString("\n-5\n", Tables::write(['n'], [['-5']]), 'a number below nought is none');
    }

    #[TestWith(['', 'file.empty'])]
    #[TestWith(["a,a\n1,2\n", 'file.column-twice'])]
    #[TestWith(["\xff\xfe", 'file.utf-8'])]
    #[TestWith(["a\n1\n2\n3\n", 'file.most'])]
    public function testWhatCantBeReadIsSaid(string $text, string $says): void
    {
        $this->expectException(UnreadableFile::class);
        $this->expectExceptionMessage($says);
        Tables::read($text, 2);
    }

    public function testWhatSpreadsheetsLeaveIsTakenAsItIsMeant(): void
    {
        $read = Tables::read("\u{FEFF}Name ;Note;\r\n  Hull ;;\r\n;;\r\n'=Keel;'tis;x\r\n", 10);
        self::assertSame(
            [
                ['row' => 2, 'cells' => ['name' => 'Hull']],
                ['row' => 4, 'cells' => ['name' => '=Keel', 'note' => "'tis"]],
            ],
            $read['rows'],
            'blank rows and nameless columns go, an apostrophe stays',
        );
    }
}
