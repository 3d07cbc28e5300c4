<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Door\DoorLog;
use App\Door\EndSessions;
use App\Door\PasswordRules;
use App\Door\SecondFactor;
use App\Door\SessionBook;
use App\Door\SignIn;
use App\Door\TimedCode;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Returns;
use App\Http\OpenApi\Shape;
use App\Http\OpenApi\Takes;
use App\Problems\Problem;
use App\Says\Teller;
use App\Standins\Messenger;
use App\Tenancy\User;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use OpenApi\Attributes as OA;
use Psr\Clock\ClockInterface;
use Vicissa\Core\Says\Said;

/** One's own account: from the page alone, and what can't be taken back with the password again. */
#[
    Shape(
        'Account',
        new Field('email', 'string'),
        new Field('new_email', 'string?', 'Until it is confirmed'),
        new Field('second', 'boolean', 'Codes of an app are asked for at sign-in'),
        new Field('recovery_left', 'integer'),
        new Field('leaves_at', 'date-time?', 'When the account goes, unless they come back'),
    ),
]
#[
    Shape(
        'OpenSession',
        new Field('id', 'string'),
        new Field('here', 'boolean', 'The one that asks'),
        new Field('address', 'string?'),
        new Field('device', 'string'),
        new Field('seen_at', 'date-time'),
    ),
]
#[Shape('Seal', new Field('key', 'string', '32 bytes, base 64'))]
#[Shape('PasswordInput', new Field('current', 'string'), new Field('password', 'string'))]
#[Shape('EmailInput', new Field('email', 'string'), new Field('password', 'string'))]
#[Shape('SureInput', new Field('password', 'string'))]
#[Shape('SecondBegun', new Field('secret', 'string', 'Base 32'), new Field('link', 'string', 'otpauth:'))]
#[Shape('CodeInput', new Field('code', 'string'))]
#[Shape('RecoveryCodes', new Field('codes', 'string[]', 'Shown once'))]
#[Shape('EmailTokenInput', new Field('token', 'string'))]
final readonly class AccountController
{
    private const EMAIL_HOURS = 24;

    public function __construct(
        private DoorLog $doorLog,
        private EndSessions $endSessions,
        private SessionBook $sessions,
        private SecondFactor $second,
        private ClockInterface $clock,
    ) {}

    #[OA\Get(path: '/api/v1/me/account', operationId: 'showAccount', tags: ['Sign-in'])]
    #[Returns('Account')]
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(self::told(self::who($request)));
    }

    #[
        OA\Get(
            path: '/api/v1/me/seal',
            operationId: 'showSeal',
            summary: 'A key for what a device keeps of theirs while somebody else uses it; always the same',
            tags: ['Sign-in'],
        ),
    ]
    #[Returns('Seal')]
    public function seal(Request $request): JsonResponse
    {
        return new JsonResponse([
            'key' => base64_encode(
                hash_hmac('sha256', 'seal ' . self::who($request)->id, config()->string('app.key'), true),
            ),
        ]);
    }

    #[
        OA\Post(
            path: '/api/v1/me/password',
            operationId: 'changePassword',
            summary: 'Every other session and every token of theirs ends',
            tags: ['Sign-in'],
        ),
    ]
    #[Takes('PasswordInput')]
    #[Returns(null, 204)]
    public function password(Request $request): Response
    {
        $user = self::who($request);
        $given = $request->validate([
            'current' => ['required', 'string', 'max:200'],
            'password' => ['required', 'string', 'max:200', new PasswordRules([$user->name, $user->email])],
        ]);
        SignIn::sure($user, $given['current'], 'current');
        DB::transaction(function () use ($user, $given, $request): void {
            $user->update(['password' => $given['password']]);
            ($this->endSessions)($user, $request->session()->getId(), tokens: true);
            $this->doorLog->note('password-changed');
        });

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/me/email',
            operationId: 'changeEmail',
            summary: 'A link goes to the new address; until it is followed the old one stands',
            tags: ['Sign-in'],
        ),
    ]
    #[Takes('EmailInput')]
    #[Returns('Account')]
    public function email(Request $request, Messenger $messenger): JsonResponse
    {
        $user = self::who($request);
        $given = $request->validate([
            'email' => ['required', 'email', 'max:200'],
            'password' => ['required', 'string', 'max:200'],
        ]);
        SignIn::sure($user, $given['password']);
        $email = mb_strtolower(trim($given['email']));
        $token = Str::random(48);
        DB::transaction(function () use ($user, $email, $token, $messenger): void {
            $user
                ->forceFill([
                    'new_email' => $email,
                    'new_email_hash' => hash('sha256', $token),
                    'new_email_until' => $this->clock->now()->modify('+' . self::EMAIL_HOURS . ' hours'),
                ])
                ->save();
            $teller = Teller::here()->in($user->language);
            $link = url('/confirm-email?' . http_build_query(['token' => $token]));
            $messenger->send(
                $email,
                $teller->say('letter.new-email'),
                $teller->say('letter.confirm-email', link: $link, hours: self::EMAIL_HOURS),
            );
            // Whoever reads the old address hears of it too.
            $messenger->send(
                $user->email,
                $teller->say('letter.email-changes'),
                $teller->say('letter.email-changes-to', email: $email),
            );
            $this->doorLog->note('email-asked');
        });

        return new JsonResponse(self::told($user));
    }

    #[OA\Post(path: '/api/v1/auth/confirm-email', operationId: 'confirmEmail', tags: ['Sign-in'])]
    #[Takes('EmailTokenInput')]
    #[Returns(null, 204)]
    public function confirmEmail(Request $request): Response
    {
        $token = $request->validate(['token' => ['required', 'string', 'max:100']])['token'];
        DB::transaction(function () use ($token): void {
            $user = User::query()->where('new_email_hash', hash('sha256', $token))->lockForUpdate()->first();
            if ($user?->new_email === null || $user->new_email_until < $this->clock->now()) {
                throw Problem::field('token', Said::of('door.link'));
            }
            if (User::query()->where('email', $user->new_email)->exists()) {
                throw Problem::field('token', Said::of('door.taken'));
            }
            $user
                ->forceFill([
                    'email' => $user->new_email,
                    'new_email' => null,
                    'new_email_hash' => null,
                    'new_email_until' => null,
                ])
                ->save();
            $this->doorLog->note('email-changed', [], $user);
        });

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/me/second',
            operationId: 'beginSecondFactor',
            summary: 'A secret for an authenticator app (RFC 6238); it counts once a code of it has come back',
            tags: ['Sign-in'],
        ),
    ]
    #[Takes('SureInput')]
    #[Returns('SecondBegun')]
    public function second(Request $request): JsonResponse
    {
        $user = $this->sure($request);
        if (SecondFactor::has($user)) {
            throw Problem::conflict(Said::of('door.second-is-on'));
        }
        $secret = $this->second->begin($user);

        return new JsonResponse([
            'secret' => TimedCode::base32($secret),
            'link' => TimedCode::link($secret, 'Vicissa', $user->email),
        ]);
    }

    #[OA\Post(path: '/api/v1/me/second/confirm', operationId: 'confirmSecondFactor', tags: ['Sign-in'])]
    #[Takes('CodeInput')]
    #[Returns('RecoveryCodes')]
    public function confirmSecond(Request $request): JsonResponse
    {
        $user = self::who($request);
        $code = $request->validate(['code' => ['required', 'string', 'max:20']])['code'];
        $codes = $this->second->confirm($user, $code) ?? throw Problem::field('code', Said::of('door.code-wrong'));
        $this->doorLog->note('second-factor-on');

        return new JsonResponse(['codes' => $codes]);
    }

    #[OA\Post(path: '/api/v1/me/second/end', operationId: 'endSecondFactor', tags: ['Sign-in'])]
    #[Takes('SureInput')]
    #[Returns('Account')]
    public function endSecond(Request $request): JsonResponse
    {
        $user = $this->sure($request);
        $this->second->end($user);
        $this->doorLog->note('second-factor-off');

        return new JsonResponse(self::told($user));
    }

    #[OA\Get(path: '/api/v1/me/sessions', operationId: 'listSessions', tags: ['Sign-in'])]
    #[Returns('OpenSession', list: true)]
    public function sessions(Request $request): JsonResponse
    {
        $here = $request->session()->getId();
        $open = $this->sessions->of(self::who($request)->id);

        return new JsonResponse([
            'data' => array_map(
                static fn(array $one): array => [
                    'id' => self::name($one['id']),
                    'here' => $one['id'] === $here,
                    'address' => $one['address'],
                    'device' => mb_substr((string) $one['agent'], 0, 160),
                    'seen_at' => CarbonImmutable::createFromTimestampUTC($one['seen'])->toIso8601ZuluString(),
                ],
                $open,
            ),
        ]);
    }

    #[
        OA\Delete(
            path: '/api/v1/me/sessions',
            operationId: 'endSessions',
            summary: 'All but this one: a phone was lost',
            tags: ['Sign-in'],
        ),
    ]
    #[Returns(null, 204)]
    public function endSessions(Request $request): Response
    {
        ($this->endSessions)(self::who($request), $request->session()->getId());
        $this->doorLog->note('sessions-ended');

        return response()->noContent();
    }

    #[
        OA\Delete(
            path: '/api/v1/me/sessions/{session}',
            operationId: 'endSession',
            tags: ['Sign-in'],
            parameters: [new OA\PathParameter(name: 'session', required: true, schema: new OA\Schema(type: 'string'))],
        ),
    ]
    #[Returns(null, 204)]
    public function endSession(Request $request, string $session): Response
    {
        $user = self::who($request);
        foreach ($this->sessions->of($user->id) as $one) {
            if (hash_equals(self::name($one['id']), $session)) {
                $this->sessions->end($user->id, $one['id']);
                // A device that is remembered would come back by itself.
                $user->forceFill(['remember_token' => Str::random(60)])->save();
                $this->doorLog->note('session-ended');
            }
        }

        return response()->noContent();
    }

    #[
        OA\Post(
            path: '/api/v1/me/leave',
            operationId: 'leaveForGood',
            summary: 'The account goes after some days, unless they come back',
            tags: ['Sign-in'],
        ),
    ]
    #[Takes('SureInput')]
    #[Returns('Account')]
    public function leave(Request $request): JsonResponse
    {
        $user = $this->sure($request);
        if (DB::select('select alone_in(?)', [$user->id]) !== []) {
            throw Problem::conflict(Said::of('door.alone'));
        }
        $days = config()->integer('vicissa.grace.account');
        $user->forceFill(['leaves_at' => $this->clock->now()->modify("+{$days} days")])->save();
        $this->doorLog->note('account-leaves');

        return new JsonResponse(self::told($user));
    }

    #[OA\Post(path: '/api/v1/me/stay', operationId: 'stayAfterAll', tags: ['Sign-in'])]
    #[Returns('Account')]
    public function stay(Request $request): JsonResponse
    {
        $user = self::who($request);
        $user->forceFill(['leaves_at' => null])->save();
        $this->doorLog->note('account-stays');

        return new JsonResponse(self::told($user));
    }

    private function sure(Request $request): User
    {
        $user = self::who($request);
        SignIn::sure($user, $request->validate(['password' => ['required', 'string', 'max:200']])['password']);

        return $user;
    }

    private static function who(Request $request): User
    {
        /** @var User */
        return $request->user();
    }

    /** What a session is called outside: its own name would let anybody in. */
    private static function name(string $id): string
    {
        return substr(hash('sha256', $id), 0, 24);
    }

    /** @return Told<'Account'> */
    private static function told(User $user): array
    {
        return [
            ...$user->only(['email', 'new_email']),
            'second' => SecondFactor::has($user),
            'recovery_left' => SecondFactor::left($user),
            'leaves_at' => $user->leaves_at?->toIso8601ZuluString(),
        ];
    }
}
