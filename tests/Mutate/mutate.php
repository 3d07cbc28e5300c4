<?php

declare(strict_types=1);

namespace Tests\Mutate;

use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use SebastianBergmann\CodeCoverage\CodeCoverage;

require dirname(__DIR__, 2).'/vendor/autoload.php';

/** Draws mutants of the core, runs the tests that go over their line, and prints the share that dies and who lives (bin/mutate). */
(static function (string $var, string $within, int $draw, int $seed, int $jobs): void {
    $coverage = require "{$var}/coverage.php";
    assert($coverage instanceof CodeCoverage);
    $lines = $coverage->getData(true)->lineCoverage();
    $seconds = [];
    foreach (simplexml_load_file("{$var}/junit.xml")?->xpath('//testcase') ?: [] as $case) {
        $test = "{$case['class']}::".preg_replace('/ with data set .*/s', '', (string) $case['name']);
        $seconds[$test] = ($seconds[$test] ?? 0.0) + (float) $case['time'];
    }
    $finder = new Mutants;
    $all = [];
    foreach ($lines as $file => $covered) {
        if (! str_starts_with($file, "{$within}/") && $file !== $within) {
            continue;
        }
        foreach ($finder->of((string) file_get_contents($file)) as $mutant) {
            $tests = array_values(array_unique(array_map(static fn(string $id): string => (string) preg_replace('/#.*/s', '', $id), $covered[$mutant['line']] ?? [])));
            // Lines that are never run on their own (constants, defaults) are gone over by whatever goes over their file.
            $tests = $tests !== [] || array_key_exists($mutant['line'], $covered) ? $tests : array_values(array_unique(array_map(static fn(string $id): string => (string) preg_replace('/#.*/s', '', $id), array_merge([], ...array_filter($covered)))));
            usort($tests, static fn(string $a, string $b): int => ($seconds[$a] ?? 0.0) <=> ($seconds[$b] ?? 0.0));
            $all[] = ['file' => $file, 'tests' => $tests, ...$mutant];
        }
    }
    $random = new Randomizer(new Xoshiro256StarStar($seed));
    $drawn = $all === [] ? [] : array_map(static fn(int|string $i): array => $all[(int) $i], $random->pickArrayKeys($all, min($draw, count($all))));
    printf("%d mutants in %s, %d drawn (seed %d)\n", count($all), basename($within), count($drawn), $seed);
    $judge = static function (array $mutant) use ($var, $seconds): string {
        $code = (string) file_get_contents($mutant['file']);
        $path = "{$var}/mutant-".getmypid().'.php';
        file_put_contents($path, Mutants::apply($code, $mutant));
        exec('php -l '.escapeshellarg($path).' 2>&1', $said, $rc);
        if ($rc !== 0) {
            return 'void';
        }
        // The quick ones first; whoever is caught by them need not wait for the slow.
        $quick = array_values(array_filter($mutant['tests'], static fn(string $test): bool => ($seconds[$test] ?? 0.0) < 1.0));
        foreach (array_filter([$quick, array_values(array_diff($mutant['tests'], $quick))]) as $tests) {
            $filter = '/^('.implode('|', array_map(static fn(string $test): string => preg_quote($test, '/'), $tests)).')( with data set|$)/';
            exec(sprintf('MUTANT=%s timeout 150 php vendor/bin/phpunit --testsuite core --bootstrap tests/Mutate/bootstrap.php --colors=never --no-progress --no-output --do-not-cache-result --stop-on-defect --filter %s >/dev/null 2>&1', escapeshellarg($path), escapeshellarg($filter)), $said, $rc);
            if ($rc !== 0) {
                return 'dead';
            }
        }

        return $mutant['tests'] === [] ? 'unseen' : 'alive';
    };
    $pids = [];
    for ($job = 0; $job < $jobs; $job++) {
        $pid = pcntl_fork();
        if ($pid === 0) {
            $file = fopen("{$var}/judged-{$job}", 'w') ?: exit(1);
            foreach ($drawn as $i => $mutant) {
                if ($i % $jobs === $job) {
                    fwrite($file, $i.' '.$judge($mutant)."\n");
                }
            }
            exit(0);
        }
        $pids[] = $pid;
    }
    foreach ($pids as $pid) {
        pcntl_waitpid($pid, $status);
    }
    $by = $lives = [];
    for ($job = 0; $job < $jobs; $job++) {
        foreach (file("{$var}/judged-{$job}", FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$i, $end] = explode(' ', $line);
            $mutant = $drawn[(int) $i];
            $room = explode('/', substr($mutant['file'], strpos($mutant['file'], '/core/src/') + 10))[0];
            $by[$room][$end] = ($by[$room][$end] ?? 0) + 1;
            if ($end === 'alive' || $end === 'unseen') {
                $code = explode("\n", (string) file_get_contents($mutant['file']))[$mutant['line'] - 1];
                $lives[] = sprintf('%s:%d %s -> %s   %s', substr($mutant['file'], strpos($mutant['file'], 'core/src/') + 9), $mutant['line'], substr((string) file_get_contents($mutant['file']), $mutant['at'], $mutant['length']), $mutant['to'], mb_strimwidth(trim($code), 0, 150, '…').($end === 'unseen' ? '   (no test goes there)' : ''));
            }
        }
    }
    sort($lives);
    ksort($by);
    echo implode("\n", $lives), "\n";
    [$dead, $whole] = [0, 0];
    foreach ($by as $room => $ends) {
        $of = array_sum($ends) - ($ends['void'] ?? 0);
        printf("%-14s %3d of %3d dead\n", $room, $ends['dead'] ?? 0, $of);
        [$dead, $whole] = [$dead + ($ends['dead'] ?? 0), $whole + $of];
    }
    printf("Together %d of %d dead: %.1f %% (wanted: 85 %%)\n", $dead, $whole, $whole === 0 ? 0.0 : 100.0 * $dead / $whole);
})(...array_map(static fn(string $value): string|int => is_numeric($value) ? (int) $value : $value, array_slice($argv, 1)));
