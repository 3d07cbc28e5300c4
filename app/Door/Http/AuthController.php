<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Door\DoorLog;
use App\Door\EndSessions;
use App\Door\FoundWorkspace;
use App\Door\InvitePerson;
use App\Door\PasswordRules;
use App\Door\SecondFactor;
use App\Door\SendResetLink;
use App\Door\SignIn;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Tenancy\Tenancy;
use App\Tenancy\User;
use Illuminate\Auth\Events\PasswordReset;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\Password;
use OpenApi\Attributes as OA;
use Vicissa\Core\Says\Said;

/** Coming in and going out. */
#[
    Shape(
        'SignInInput',
        new Field('email', 'string'),
        new Field('password', 'string'),
        new Field('remember?', 'boolean'),
        new Field('code?', 'string?', 'Of the app, or one for when it is lost; asked for at /code'),
    ),
]
#[Shape('Door', new Field('registration', 'string', null, ['open', 'invited']))]
#[Shape('ForgotInput', new Field('email', 'string'))]
#[Shape('ResetInput', new Field('email', 'string'), new Field('token', 'string'), new Field('password', 'string'))]
#[
    Shape(
        'JoinInput',
        new Field('token', 'string'),
        new Field('name?', 'string'),
        new Field('password', 'string'),
        new Field('code?', 'string?'),
    ),
]
#[
    Shape(
        'InvitationPreview',
        new Field('workspace', 'string'),
        new Field('email', 'string'),
        new Field('role', 'string'),
        new Field('known', 'boolean', 'Whether that address already signs in here'),
    ),
]
final class AuthController
{
    #[
        OA\Post(
            path: '/api/v1/auth/register',
            operationId: 'register',
            summary: 'A new business and its owner',
            tags: ['Sign-in'],
        ),
    ]
    #[Takes('RegisterInput')]
    #[Returns('Me', 201)]
    public function register(RegisterRequest $request, FoundWorkspace $foundWorkspace): JsonResponse
    {
        if (config()->string('vicissa.registration') !== 'open') {
            throw Problem::refused(Said::of('door.closed'));
        }
        [$user, $workspace] = $foundWorkspace(
            [
                'name' => $request->string('name')->value(),
                'email' => $request->string('email')->value(),
                'password' => $request->string('password')->value(),
            ],
            [
                'name' => $request->string('workspace')->value(),
                ...$request->filled('time_zone') ? ['time_zone' => $request->string('time_zone')->value()] : [],
                ...$request->filled('units') ? ['units' => $request->string('units')->value()] : [],
            ],
        );
        $this->admit($request, $user, $workspace->id);

        return (new MeResource($user->refresh()))->response()->setStatusCode(201);
    }

    #[
        OA\Get(
            path: '/api/v1/auth/door',
            operationId: 'showDoor',
            summary: 'Whether anybody may begin a business here',
            tags: ['Sign-in'],
        ),
    ]
    #[Returns('Door')]
    public function door(): JsonResponse
    {
        return new JsonResponse(['registration' => config()->string('vicissa.registration')]);
    }

    #[OA\Post(path: '/api/v1/auth/sign-in', operationId: 'signIn', tags: ['Sign-in'])]
    #[Takes('SignInInput')]
    #[Returns(null, 204)]
    public function signIn(Request $request, SignIn $signIn): Response
    {
        $given = $request->validate([
            'email' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
            'remember' => ['sometimes', 'boolean'],
            'code' => ['sometimes', 'nullable', 'string', 'max:40'],
        ]);
        $user = $signIn($given['email'], $given['password'], $given['code'] ?? null);
        Auth::guard('web')->login($user, $given['remember'] ?? false);
        $this->admit($request, $user);

        return response()->noContent();
    }

    #[OA\Post(path: '/api/v1/auth/sign-out', operationId: 'signOut', tags: ['Sign-in'])]
    #[Returns(null, 204)]
    public function signOut(Request $request): Response
    {
        Auth::guard('web')->logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        // What is left to be sent is kept by the page itself, sealed (resources/ui/offline/leave.ts); all else goes.
        return response()->noContent()->header('Clear-Site-Data', '"cache"');
    }

    #[
        OA\Post(
            path: '/api/v1/auth/forgot',
            operationId: 'forgotPassword',
            summary: 'Send a reset link; the answer is the same for unknown addresses',
            tags: ['Sign-in'],
        ),
    ]
    #[Takes('ForgotInput')]
    #[Returns(null, 204)]
    public function forgot(Request $request, SendResetLink $sendResetLink): Response
    {
        $given = $request->validate(['email' => ['required', 'string', 'max:200']]);
        $sendResetLink($given['email']);

        return response()->noContent();
    }

    #[OA\Post(path: '/api/v1/auth/reset', operationId: 'resetPassword', tags: ['Sign-in'])]
    #[Takes('ResetInput')]
    #[Returns(null, 204)]
    public function reset(Request $request, EndSessions $endSessions, DoorLog $doorLog): Response
    {
        $given = $request->validate([
            'email' => ['required', 'string'],
            'token' => ['required', 'string'],
            'password' => ['required', 'string', 'max:200', new PasswordRules()],
        ]);
        $status = Password::reset([...$given, 'email' => mb_strtolower(trim($given['email']))], static function (
            User $user,
            string $password,
        ) use ($endSessions, $doorLog): void {
            $user->forceFill(['password' => $password])->save();
            // Whoever was signed in with the old password no longer is, scripts neither.
            $endSessions($user, tokens: true);
            $doorLog->note('password-reset', [], $user);
            event(new PasswordReset($user));
        });
        if ($status !== Password::PASSWORD_RESET) {
            throw Problem::field('token', Said::of('door.link'));
        }

        return response()->noContent();
    }

    #[
        OA\Get(
            path: '/api/v1/auth/invitation',
            operationId: 'previewInvitation',
            tags: ['Sign-in'],
            parameters: [new OA\QueryParameter(name: 'token', required: true, schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[Returns('InvitationPreview')]
    public function invitation(Request $request, InvitePerson $invitePerson, Tenancy $tenancy): JsonResponse
    {
        try {
            $invitation = $invitePerson->open($request->string('token')->value());

            return new JsonResponse([
                'workspace' => $tenancy->workspace()->name,
                'email' => $invitation->email,
                'role' => $invitation->role,
                'known' => User::query()->where('email', $invitation->email)->exists(),
            ]);
        } finally {
            $tenancy->leave();
        }
    }

    #[OA\Post(path: '/api/v1/auth/join', operationId: 'acceptInvitation', tags: ['Sign-in'])]
    #[Takes('JoinInput')]
    #[Returns(null, 204)]
    public function join(Request $request, InvitePerson $invitePerson, Tenancy $tenancy, SecondFactor $second): Response
    {
        $given = $request->validate([
            'token' => ['required', 'string'],
            'name' => ['sometimes', 'string', 'max:120'],
            'password' => ['required', 'string', 'max:200'],
            'code' => ['sometimes', 'nullable', 'string', 'max:40'],
        ]);
        try {
            $invitation = $invitePerson->open($given['token']);
            $known = User::query()->where('email', $invitation->email)->first();
            if ($known !== null && !Hash::check($given['password'], $known->password)) {
                throw Problem::field('password', Said::of('door.known'));
            }
            if ($known !== null && SecondFactor::has($known) && !$second->accepts($known, $given['code'] ?? '')) {
                throw Problem::field('code', Said::of('door.code-wanted'));
            }
            if ($known === null) {
                $request->validate(['name' => ['required'], 'password' => [new PasswordRules()]]);
            }
            $user = $invitePerson->accept(
                $invitation,
                ['name' => $given['name'] ?? '', 'password' => $given['password']],
                $known,
            );
            Auth::guard('web')->login($user);
            $this->admit($request, $user, $invitation->workspace_id);
        } finally {
            $tenancy->leave();
        }

        return response()->noContent();
    }

    private function admit(Request $request, User $user, ?string $workspaceId = null): void
    {
        // Whoever was signed in here before does not stay so: they don't belong to the business that is entered now.
        if ($request->user('web')?->isNot($user) ?? true) {
            Auth::guard('web')->login($user);
        }
        $request->session()->regenerate();
        $request->session()->put('workspace_id', $workspaceId);
    }
}
