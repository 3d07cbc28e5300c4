<?php

declare(strict_types=1);

// Whose word about the client's address and TLS is taken: proxies by address or network, separated by commas. None unless
// named, and never by a host's name.
return [
    'proxies' => array_values(array_filter(array_map(trim(...), explode(',', (string) env('TRUSTED_PROXIES', ''))))),
];
