<?php

declare(strict_types=1);

namespace Tests\Mutate;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use SebastianBergmann\CodeCoverage\CodeCoverage;

/**
 * Mutants drawn from the core, each before the tests that go over its line (bin/mutate).
 *
 * @phpstan-type Mutant array{file: string, tests: list<string>, line: int, at: int, length: int, to: string}
 */
final class Trial
{
    /** Seconds up to which a test is quick: whoever is caught by those need not wait for the slow. */
    private const QUICK_S = 1.0;

    /** @var array<string, float> seconds by test */
    private array $seconds = [];

    /** @var array<string, array<int, list<string>|null>> tests by file and line */
    private array $covered = [];

    private readonly Mutants $mutants;

    public function __construct(private readonly string $var)
    {
        $this->mutants = new Mutants();
        $report = simplexml_load_file("{$var}/junit.xml");
        foreach ($report === false ? [] : $report->xpath('//testcase') ?? [] as $case) {
            $test = self::named("{$case['class']}::{$case['name']}");
            $this->seconds[$test] = ($this->seconds[$test] ?? 0.0) + (float) $case['time'];
        }
        $coverage = require "{$var}/coverage.php";
        assert($coverage instanceof CodeCoverage);
        // @phpstan-ignore method.internalClass (the public reports say the same in a hundred files)
        foreach ($coverage->getData(true)->lineCoverage() as $file => $lines) {
            $this->covered[$file] = array_map(
                static fn(?array $ids): ?array => $ids === null
                    ? null
                    : array_values(array_unique(array_map(self::named(...), $ids))),
                $lines,
            );
        }
    }

    /**
     * @param string $within  a folder or a file
     * @return array{list<Mutant>, int} the drawn, and how many there are
     */
    public function draw(string $within, int $most, int $seed): array
    {
        $all = [];
        foreach ($this->covered as $file => $lines) {
            if (!str_starts_with($file, "{$within}/") && $file !== $within) {
                continue;
            }
            // Constants and defaults are on no line that is run: whatever goes over their file goes over them.
            $somewhere = array_values(array_unique(array_merge([], ...array_filter(array_values($lines)))));
            foreach ($this->mutants->of((string) file_get_contents($file)) as $mutant) {
                $tests = array_key_exists($mutant['line'], $lines) ? $lines[$mutant['line']] ?? [] : $somewhere;
                usort(
                    $tests,
                    fn(string $a, string $b): int => ($this->seconds[$a] ?? 0.0) <=> ($this->seconds[$b] ?? 0.0),
                );
                $all[] = ['file' => $file, 'tests' => $tests, ...$mutant];
            }
        }
        $picked =
            $all === []
                ? []
                : (new Randomizer(new Xoshiro256StarStar($seed)))->pickArrayKeys($all, max(1, min($most, count($all))));

        return [array_map(static fn(int|string $i): array => $all[(int) $i], $picked), count($all)];
    }

    /**
     * @param Mutant $mutant
     * @return 'void'|'unseen'|'dead'|'alive'
     */
    public function judge(array $mutant): string
    {
        $path = "{$this->var}/mutant-" . getmypid() . '.php';
        file_put_contents($path, Mutants::apply((string) file_get_contents($mutant['file']), $mutant));
        exec('php -l ' . escapeshellarg($path) . ' 2>&1', $said, $rc);
        if ($rc !== 0) {
            return 'void';
        }
        $quick = array_values(
            array_filter($mutant['tests'], fn(string $test): bool => ($this->seconds[$test] ?? 0.0) < self::QUICK_S),
        );
        foreach (array_filter([$quick, array_values(array_diff($mutant['tests'], $quick))]) as $tests) {
            $filter =
                '/^(' .
                implode('|', array_map(static fn(string $test): string => preg_quote($test, '/'), $tests)) .
                ')( with data set|$)/';
            exec(
                sprintf(
                    'MUTANT=%s timeout 150 php vendor/bin/phpunit --testsuite core --bootstrap tests/Mutate/bootstrap.php --no-output --do-not-cache-result --stop-on-defect --filter %s >/dev/null 2>&1',
                    escapeshellarg($path),
                    escapeshellarg($filter),
                ),
                $said,
                $rc,
            );
            if ($rc !== 0) {
                return 'dead';
            }
        }

        return $mutant['tests'] === [] ? 'unseen' : 'alive';
    }

    /** A test as it is asked for: without its data, but for kept answers, whose subjects are asked one by one. */
    private static function named(string $test): string
    {
        return str_contains($test, 'Answers\\AnswersTest::')
            ? (string) preg_replace('/#(.+)$/s', ' with data set "$1"', $test)
            : (string) preg_replace('/( with data set |#).*/s', '', $test);
    }

    /** @param Mutant $mutant */
    public static function said(array $mutant): string
    {
        $code = (string) file_get_contents($mutant['file']);

        return sprintf(
            '%s:%d  %s -> %s   %s',
            substr($mutant['file'], strpos($mutant['file'], 'core/src/') + 9),
            $mutant['line'],
            substr($code, $mutant['at'], $mutant['length']),
            $mutant['to'],
            mb_strimwidth(trim(explode("\n", $code)[$mutant['line'] - 1]), 0, 150, '…'),
        );
    }
}
