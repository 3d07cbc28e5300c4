<?php

declare(strict_types=1);

namespace App\Http;

/** The first words of the interface's addresses (resources/ui/router.ts, routes.ts): all others are nowhere. */
final class InterfacePlaces
{
    public const FIRST = [
        'answer',
        'bench',
        'book',
        'confirm-email',
        'forgot',
        'join',
        'operator',
        'proof',
        'r',
        'register',
        'reset-password',
        'round',
        'sheets',
        'shelf',
        'sign-in',
        'start',
        'turns',
        'vehicles',
        'weeks',
        'words',
        'workspace',
    ];
}
