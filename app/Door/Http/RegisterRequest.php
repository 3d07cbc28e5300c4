<?php

declare(strict_types=1);

namespace App\Door\Http;

use App\Door\PasswordRules;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Says\Teller;
use Illuminate\Foundation\Http\FormRequest;

#[
    Shape(
        'RegisterInput',
        new Field('name', 'string'),
        new Field('email', 'string'),
        new Field('password', 'string'),
        new Field('workspace', 'string'),
        new Field('time_zone?', 'string'),
        new Field('units?', 'string', null, ['metric', 'us', 'imperial']),
    ),
]
final class RegisterRequest extends FormRequest
{
    protected function prepareForValidation(): void
    {
        $email = $this->input('email');
        $this->merge(['email' => is_string($email) ? mb_strtolower(trim($email)) : $email]);
    }

    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => ['required', 'string', 'max:120'],
            'email' => ['required', 'email', 'max:200', 'unique:users,email'],
            'password' => ['required', 'string', 'max:200', new PasswordRules()],
            'workspace' => ['required', 'string', 'max:120'],
            'time_zone' => ['sometimes', 'timezone:all'],
            'units' => ['sometimes', 'in:metric,us,imperial'],
        ];
    }

    /** @return array<string, string> */
    public function messages(): array
    {
        return ['email.unique' => Teller::here()->say('door.taken')];
    }
}
