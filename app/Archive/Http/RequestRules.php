<?php

declare(strict_types=1);

namespace App\Archive\Http;

use App\Archive\RowRules;
use App\Book\Http\ClientRequest;
use App\Book\Http\SiteRequest;
use App\Book\Http\VehicleRequest;
use App\Turns\Http\TurnRequest;
use Illuminate\Contracts\Validation\Factory;

/** The same rules and sentences as in the forms. */
final readonly class RequestRules implements RowRules
{
    public function __construct(private Factory $validation) {}

    public function errors(string $what, array $facts, bool $new): array
    {
        $request = match ($what) {
            'client' => new ClientRequest(),
            'site' => new SiteRequest(),
            'vehicle' => new VehicleRequest(),
            'turn' => new TurnRequest(),
        };
        $request->setMethod($new ? 'POST' : 'PATCH');
        $errors = [];
        foreach (
            $this->validation->make($facts, $request->rules(), $request->messages())->errors()->toArray()
            as $field => $sentences
        ) {
            $errors[(string) $field] = (string) $sentences[0];
        }

        return $errors;
    }
}
