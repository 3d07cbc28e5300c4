<?php

declare(strict_types=1);

namespace App\Http;

use App\Tenancy\Caller;
use App\Tenancy\User;
use Illuminate\Http\Request;

/** Whoever sends the request at hand. */
final readonly class RequestCaller implements Caller
{
    public function __construct(private Request $request) {}

    public function user(): ?User
    {
        $user = $this->request->user();

        return $user instanceof User ? $user : null;
    }

    public function address(): ?string
    {
        return $this->request->ip();
    }
}
