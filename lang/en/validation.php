<?php

declare(strict_types=1);

/** What is said differently from the framework's own words. */
return [
    'uuid' => 'That is not an id of this workspace.',
    'exists' => 'There is no such thing in this workspace.',
    'date_format' => 'That is not a date that exists.',
];
