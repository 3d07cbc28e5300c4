<div class="head">
    <h1>{{ $title }}</h1>
    <p class="quiet">{{ $say('quote.head', business: $business, client: $client ?? '', on: $day($offered_on)) }}</p>
</div>
<p>{{ $say(
    'quote.year',
    visits: $quote['visits'],
    toppers: $quote['toppers'],
    hours: $quote['hours'],
    vehicles: count($quote['vehicles']),
) }}</p>
@foreach ($quote['vehicles'] as $line)
    <div class="turn">
        <h2>{{ $line['vehicle'] }}</h2>
        <p class="quiet">{{ implode(', ', array_filter([
            $line['programme'] ?? null,
            $say('quote.every', days: $line['every_days']),
            ($line['salt_every_days'] ?? null) === null ? null : $say('quote.every-in-salt', days: $line['salt_every_days']),
            ($line['topper_weeks'] ?? null) === null ? $say('quote.no-topper') : $say('quote.topper-every', weeks: $line['topper_weeks']),
            ($line['decon_days'] ?? null) === null ? null : $say('quote.decon-every', days: $line['decon_days']),
        ])) }}</p>
        <table>
            <tr>
                <th>{{ $say('quote.what') }}</th>
                <th class="right">{{ $say('quote.times') }}</th>
                <th class="right">{{ $say('quote.each') }}</th>
                <th class="right">{{ $say('quote.together') }}</th>
            </tr>
            @foreach ($line['lines'] as $one)
                <tr>
                    <td>{{ $say('quote.kind', kind: $one['kind']) }}</td>
                    <td class="right">{{ $one['times'] }}</td>
                    <td class="right">{{ $money($one['each_minor']) }}</td>
                    <td class="right">{{ $money($one['minor']) }}</td>
                </tr>
            @endforeach
            <tr class="sum"><td colspan="3">{{ $line['vehicle'] }}</td><td class="right">{{ $money($line['price_minor']) }}</td></tr>
        </table>
    </div>
@endforeach
<table><tr class="sum"><td>{{ $say('quote.year-together') }}</td><td class="right">{{ $money($quote['price_minor']) }}</td></tr></table>
<h2>{{ $say('quote.takes-for-granted') }}</h2>
<ul>
    @foreach ($quote['assumes'] as $one)
        <li>{{ $one }}</li>
    @endforeach
</ul>
