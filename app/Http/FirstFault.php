<?php

declare(strict_types=1);

namespace App\Http;

use Illuminate\Validation\Validator;

/** One fault a field: what is no date is not compared with a date, nor looked up as an id. */
final class FirstFault extends Validator
{
    protected function shouldStopValidating($attribute)
    {
        return $this->messages->has($this->replacePlaceholderInString($attribute)) || parent::shouldStopValidating($attribute);
    }
}
