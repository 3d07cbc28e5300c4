<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Says\Teller;
use Closure;
use Illuminate\Contracts\Validation\ValidationRule;
use Vicissa\Core\InvalidInput;
use Vicissa\Core\Matching\Turn\Scope;

/** quick, usual, full, or what a visit takes in, with commas. */
final class KnownScope implements ValidationRule
{
    public function validate(string $attribute, mixed $value, Closure $fail): void
    {
        try {
            Scope::of(is_string($value) ? $value : '');
        } catch (InvalidInput $e) {
            $fail(Teller::here()->tell($e->says));
        }
    }
}
