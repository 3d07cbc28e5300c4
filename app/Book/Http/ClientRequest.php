<?php

declare(strict_types=1);

namespace App\Book\Http;

use App\Http\FactsRequest;
use App\Http\OpenApi\Field;
use App\Http\OpenApi\Shape;
use App\Says\Language;
use Illuminate\Validation\Rule;

#[
    Shape(
        'ClientInput',
        new Field('name', 'string'),
        new Field('contact?', 'string?'),
        new Field('phone?', 'string?'),
        new Field('language?', 'string?', 'What they are written to in; English when null', ['en', 'de']),
        new Field('email?', 'string?'),
        new Field('note?', 'string?'),
    ),
]
final class ClientRequest extends FactsRequest
{
    /** @return array<string, list<mixed>> */
    public function rules(): array
    {
        return [
            'name' => [$this->isMethod('POST') ? 'required' : 'sometimes', 'string', 'min:1', 'max:120'],
            'contact' => ['sometimes', 'nullable', 'string', 'max:120'],
            'phone' => ['sometimes', 'nullable', 'string', 'max:40'],
            'language' => ['sometimes', 'nullable', Rule::enum(Language::class)],
            'email' => ['sometimes', 'nullable', 'email', 'max:200'],
            'note' => ['sometimes', 'nullable', 'string', 'max:2000'],
        ];
    }
}
