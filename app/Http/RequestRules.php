<?php

declare(strict_types=1);

namespace App\Http;

use App\Http\Requests\ClientRequest;
use App\Http\Requests\SiteRequest;
use App\Http\Requests\TurnRequest;
use App\Http\Requests\VehicleRequest;
use App\Record\RowRules;
use Illuminate\Contracts\Validation\Factory;

/** The same rules and sentences as in the forms. */
final readonly class RequestRules implements RowRules
{
    public function __construct(private Factory $validation) {}

    public function errors(string $what, array $facts, bool $new): array
    {
        $request = match ($what) {
            'client' => new ClientRequest,
            'site' => new SiteRequest,
            'vehicle' => new VehicleRequest,
            'turn' => new TurnRequest,
        };
        $request->setMethod($new ? 'POST' : 'PATCH');
        $errors = [];
        foreach ($this->validation->make($facts, $request->rules(), $request->messages())->errors()->toArray() as $field => $sentences) {
            $errors[(string) $field] = (string) $sentences[0];
        }

        return $errors;
    }
}
