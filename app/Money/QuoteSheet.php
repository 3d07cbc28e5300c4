<?php

declare(strict_types=1);

namespace App\Money;

use App\Print\Paper;
use App\Says\Teller;
use App\Tenancy\Tenancy;
use Illuminate\Contracts\View\Factory;

/**
 * A year's programme as it is offered, in the client's language: what is done how often, for how much, and what that
 * takes for granted. What it costs the business stays at home.
 */
final readonly class QuoteSheet
{
    public function __construct(private Paper $paper, private Factory $views, private Tenancy $tenancy) {}

    public function pdf(Quote $quote, Teller $teller): string
    {
        $workspace = $this->tenancy->workspace();
        $answer = $quote->told();

        return $this->paper->pdf(
            $quote->title,
            $this->views
                ->make('print.quote', [
                    'title' => $quote->title,
                    'business' => $workspace->name,
                    'client' => $quote->client?->name,
                    'offered_on' => $workspace->dateOf($quote->made_at),
                    'quote' => $teller->everywhere($answer),
                    'say' => $teller->say(...),
                    'day' => $teller->day(...),
                    'money' => static fn(int|float $minor): string => $teller->say(
                        'money.sum',
                        currency: $answer['currency'] ?? '',
                        major: $minor / 100.0,
                    ),
                ])
                ->render(),
            $workspace->name,
            $teller->say('record.page-of'),
            $teller->language->value,
        );
    }
}
