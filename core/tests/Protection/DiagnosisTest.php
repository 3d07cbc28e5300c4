<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Protection;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Told;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Protection\Behaviour;
use Vicissa\Core\Protection\Designed;
use Vicissa\Core\Protection\Diagnosis;
use Vicissa\Core\Protection\Finding;

/** Every combination of readings there can be, against the rule as it is written in the domain. */
final class DiagnosisTest extends TestCase
{
    /** @return iterable<string, array{Designed}> */
    public static function designs(): iterable
    {
        foreach (Designed::cases() as $designed) {
            yield $designed->value => [$designed];
        }
    }

    #[DataProvider('designs')]
    public function testTheLatestReadingDecidesWhateverCameBefore(Designed $designed): void
    {
        $count = 0;
        $any = [null, ...Behaviour::cases()];
        foreach ($any as $arrival) {
            foreach ($any as $washed) {
                foreach ($any as $deconned) {
                    foreach ($any as $topped) {
                        if ($arrival ?? ($washed ?? ($deconned ?? $topped))) {
                            $diagnosis = Diagnosis::from($designed, $arrival, $washed, $deconned, $topped);
                            self::assertSame($this->written($designed, $arrival, $washed, $deconned, $topped), [
                                $diagnosis->verdict->value,
                                $diagnosis->next->value,
                            ]);
                            self::assertStringEndsWith('.', Told::en($diagnosis->says));
                            $count++;
                        }
                    }
                }
            }
        }
        self::assertSame(6 ** 4 - 1, $count);
    }

    public function testAnArrivalReadingAloneNeverCondemnsALayer(): void
    {
        foreach (Designed::cases() as $designed) {
            foreach (Behaviour::cases() as $arrival) {
                self::assertContains(Diagnosis::from($designed, $arrival)->verdict, [Finding::Sound, Finding::Unclear]);
            }
        }
        self::assertStringContainsString(
            'not a dead coating',
            Told::en(Diagnosis::from(Designed::Beads, Behaviour::Flat)->says),
        );
    }

    public function testNothingReadIsNothingSaid(): void
    {
        $this->expectException(InvalidInput::class);
        Diagnosis::from(Designed::Beads);
    }

    /** @return array{string, string} */
    private function written(
        Designed $designed,
        ?Behaviour $arrival,
        ?Behaviour $washed,
        ?Behaviour $deconned,
        ?Behaviour $topped,
    ): array {
        $enough = $designed === Designed::Beads ? ['tight', 'good'] : ['tight', 'good', 'weak', 'sheeting'];
        $holds = static fn(Behaviour $reading): bool => in_array($reading->value, $enough, true);
        if ($topped !== null) {
            return $holds($topped) ? ['refreshed', 'none'] : ['base-suspect', 'inspect-base'];
        }
        if ($deconned !== null) {
            return $holds($deconned) ? ['clogged', 'topper-optional'] : ['topper-spent', 'apply-topper'];
        }
        if ($washed !== null) {
            return match (true) {
                !$holds($washed) => ['unclear', 'decontaminate-and-retest'],
                $arrival !== null && !$holds($arrival) => ['was-dirty', 'none'],
                default => ['sound', 'none'],
            };
        }

        return $arrival !== null && $holds($arrival) ? ['sound', 'none'] : ['unclear', 'wash-and-retest'];
    }
}
