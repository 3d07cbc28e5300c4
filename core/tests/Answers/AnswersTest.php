<?php

declare(strict_types=1);

namespace Vicissa\Core\Tests\Answers;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Vicissa\Core\InvalidInput;

/**
 * What the core answers to many questions stays what it was until somebody means to change it. Properties say what may
 * never be; this says what is: a figure that changes anywhere is seen, with the questions it changes the answers to.
 *
 * Answers stand in `kept/`, by question: short ones whole, long ones as a fingerprint. After a change that is meant,
 * `ANSWERS=write vendor/bin/phpunit core/tests/Answers` writes them anew; the difference is read before it is committed.
 */
final class AnswersTest extends TestCase
{
    /** Longer answers are kept as a fingerprint. */
    private const WHOLE = 160;

    /** @return iterable<string, array{string}> */
    public static function subjects(): iterable
    {
        foreach (array_keys(Questions::all()) as $subject) {
            yield $subject => [$subject];
        }
    }

    #[DataProvider('subjects')]
    public function testTheAnswersAreWhatTheyWere(string $subject): void
    {
        $file = __DIR__ . "/kept/{$subject}.json";
        $answers = [];
        foreach (Questions::all()[$subject]() as $question => $ask) {
            try {
                $answer = Written::of($ask());
            } catch (InvalidInput $e) {
                $answer = ['refused' => $e->field, 'says' => $e->says->code];
            }
            $whole = (string) json_encode($answer, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
            $answers[(string) $question] = strlen($whole) > self::WHOLE ? Written::short($answer) : $whole;
        }
        if (getenv('ANSWERS') === 'write') {
            file_put_contents(
                $file,
                json_encode($answers, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES) . "\n",
            );
        }
        /** @var array<string, string> $kept */
        $kept = json_decode((string) file_get_contents($file), true, 8, JSON_THROW_ON_ERROR);
        self::assertSame(array_keys($kept), array_keys($answers));
        $changed = array_diff_assoc($answers, $kept);
        self::assertSame(
            [],
            array_map(
                static fn(string $was, string $is): array => ['was' => $was, 'is' => $is],
                array_intersect_key($kept, $changed),
                $changed,
            ),
            sprintf('%d of %d answers about %s have changed.', count($changed), count($kept), $subject),
        );
    }
}
