<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Problems\Problem;
use App\Tenancy\Membership;
use App\Tenancy\PersonalAccessToken;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use Vicissa\Core\Says\Said;

/** Opens the signed-in person's workspace for the length of the request. */
final readonly class EnterWorkspace
{
    public function __construct(private Tenancy $tenancy) {}

    public function handle(Request $request, Closure $next): Response
    {
        /** @var User $user */
        $user = $request->user();
        $this->tenancy->actAs($user->id);
        try {
            $token = $user->currentAccessToken();
            $wanted =
                $token instanceof PersonalAccessToken
                    ? $token->workspace_id
                    : ($request->hasSession()
                        ? $request->session()->get('workspace_id')
                        : null);
            $membership =
                Membership::query()
                    ->where('user_id', $user->id)
                    ->when($wanted !== null, static fn($query) => $query->where('workspace_id', $wanted))
                    ->orderBy('created_at')
                    ->orderBy('id')
                    ->first() ?? throw Problem::refused(Said::of('door.removed'));
            $this->tenancy->enter($membership->workspace_id, $membership);

            return $next($request);
        } finally {
            $this->tenancy->leave();
        }
    }
}
