<?php

declare(strict_types=1);

use Tests\Mutate\Trial;

require dirname(__DIR__, 2) . '/vendor/autoload.php';

/** Draws mutants, tries them side by side, prints who lives and the share that dies (bin/mutate). */
[, $var, $within, $most, $seed, $jobs] = $argv;
$trial = new Trial($var);
[$drawn, $of] = $trial->draw($within, (int) $most, (int) $seed);
printf("%d mutants in %s, %d drawn (seed %d)\n", $of, basename($within), count($drawn), $seed);
$pids = [];
for ($job = 0; $job < (int) $jobs; $job++) {
    $pid = pcntl_fork();
    if ($pid === 0) {
        $ends = '';
        foreach ($drawn as $i => $mutant) {
            if ($i % (int) $jobs === $job) {
                $ends .= "{$i} {$trial->judge($mutant)}\n";
                file_put_contents("{$var}/judged-{$job}", $ends);
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
for ($job = 0; $job < (int) $jobs; $job++) {
    foreach (
        is_file("{$var}/judged-{$job}") ? (file("{$var}/judged-{$job}", FILE_IGNORE_NEW_LINES) ?: []) : []
        as $line
    ) {
        [$i, $end] = explode(' ', $line);
        $mutant = $drawn[(int) $i];
        $room = explode('/', substr($mutant['file'], (int) strpos($mutant['file'], '/core/src/') + 10))[0];
        if ($end === 'void') {
            continue;
        }
        $by[$room] = [($by[$room][0] ?? 0) + ($end === 'dead' ? 1 : 0), ($by[$room][1] ?? 0) + 1];
        if ($end !== 'dead') {
            $lives[] = Trial::said($mutant) . ($end === 'unseen' ? '   (no test goes there)' : '');
        }
    }
    @unlink("{$var}/judged-{$job}");
}
sort($lives);
ksort($by);
echo implode("\n", $lives), "\n";
foreach ($by as $room => [$dead, $whole]) {
    printf("%-14s %3d of %3d dead\n", $room, $dead, $whole);
}
[$dead, $whole] = [array_sum(array_column($by, 0)), array_sum(array_column($by, 1))];
printf("Together %d of %d dead: %.1f %% (wanted: 85 %%)\n", $dead, $whole, (100.0 * $dead) / max(1, $whole));
