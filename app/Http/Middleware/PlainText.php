<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Says\Teller;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;

/** Text is UTF-8 without nought bytes before anything looks at it: the database could keep nothing else. */
final class PlainText
{
    public function handle(Request $request, Closure $next): Response
    {
        $bad = [];
        foreach ([$request->query(), $request->isJson() ? $request->json()->all() : $request->post()] as $input) {
            self::look(is_array($input) ? $input : [], '', $bad);
        }
        if ($bad !== []) {
            throw ValidationException::withMessages($bad);
        }

        return $next($request);
    }

    /**
     * @param array<array-key, mixed> $input
     * @param array<string, string> $bad  what is wrong, by path
     */
    private static function look(array $input, string $under, array &$bad): void
    {
        foreach ($input as $key => $value) {
            $path = $under . $key;
            if (is_array($value)) {
                self::look($value, "{$path}.", $bad);
            }
            if (!self::plain((string) $key) || (is_string($value) && !self::plain($value))) {
                $bad[self::plain($path) ? $path : 'name'] = Teller::here()->say('problem.characters');
            }
        }
    }

    private static function plain(string $text): bool
    {
        return !str_contains($text, "\0") && mb_check_encoding($text, 'UTF-8');
    }
}
