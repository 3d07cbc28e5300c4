<?php

declare(strict_types=1);

namespace App\Tenancy;

/** Who asks, and from where; nobody and nowhere for what the program does by itself. */
interface Caller
{
    public function user(): ?User;

    public function address(): ?string;
}
