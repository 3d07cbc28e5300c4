<?php

declare(strict_types=1);

namespace App\Console\Commands;

use App\Reckon\Reckoning;
use Illuminate\Console\Command;
use Symfony\Component\Console\Output\OutputInterface;

/** The models on the command line: JSON in on standard input, JSON out; exit status 1 when an item was invalid. */
final class Reckon extends Command
{
    protected $signature = 'vicissa:reckon {model : One of the models, e.g. ratio, due, verdict}';

    protected $description = 'Reckon a model: a JSON object or an array of objects on standard input, the same out';

    public function handle(Reckoning $reckoning): int
    {
        $model = (string) $this->argument('model');
        if (!$reckoning->knows($model)) {
            return $this->refuse(
                sprintf('There is no model “%s”. Known: %s.', $model, implode(', ', $reckoning->names())),
            );
        }
        $body = json_decode((string) stream_get_contents(STDIN), true, 64);
        if (!is_array($body)) {
            return $this->refuse('Standard input must hold a JSON object or an array of objects.');
        }
        $many = $body === [] || array_is_list($body);
        $answer = $reckoning->all($model, $many ? $body : [$body]);
        $this->output->writeln(
            json_encode(
                $many ? $answer['results'] : $answer['results'][0],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PRESERVE_ZERO_FRACTION,
            ),
            self::OUTPUT_RAW,
        );

        return $answer['clean'] ? self::SUCCESS : self::FAILURE;
    }

    private const OUTPUT_RAW = OutputInterface::OUTPUT_RAW;

    private function refuse(string $sentence): int
    {
        $this->output->writeln(
            json_encode(
                ['error' => 'invalid', 'field' => '', 'message' => $sentence],
                JSON_THROW_ON_ERROR | JSON_UNESCAPED_UNICODE,
            ),
            self::OUTPUT_RAW,
        );

        return self::FAILURE;
    }
}
