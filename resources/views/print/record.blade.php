@php
    $v = $record['vehicle'];
    $whole = $record['kind'] === 'history';
    $one = $record['kind'] === 'turn';
    $kinds = static fn (array $kinds): string => implode(', ', array_map(static fn (string $kind): string => $say('record.kind', kind: $kind), $kinds));
@endphp
<div class="head">
    <h1>{{ $v['name'] }}</h1>
    <p class="quiet">{{ implode(' · ', array_filter([
        $say('record.title', kind: $record['kind']),
        implode(' · ', array_filter([$v['model'], $v['colour'], $v['plate'], $v['client']])),
        $record['from'] === $record['to'] || $record['from'] === null
            ? $day($record['to'])
            : $say('record.from-to', from: $day($record['from']), to: $day($record['to'])),
    ])) }}</p>
</div>

@php
    $due = array_filter($record['due'], static fn (array $one): bool => $one['due'] !== null || ($one['look'] ?? null) !== null);
@endphp
@if ($due !== [] || $record['next_visit'] !== null)
    <h2>{{ $say('record.due-next') }}</h2>
    <table>
        @foreach ($due as $line)
            @if ($line['due'] !== null)
                <tr>
                    <td>{{ $say('record.on-zone', what: $line['name'], zone: $line['zone']) }}</td>
                    <td class="due">{{ $day($line['due']) }}</td>
                    <td class="quiet">{{ $say('record.worth-from-late-after', from: $day($line['from'] ?? null), late: $day($line['late'] ?? null)) }}</td>
                </tr>
            @endif
            @if (($line['look'] ?? null) !== null)
                <tr>
                    <td>{{ $say('record.on-zone', what: $line['name'], zone: $line['zone']) }}</td>
                    <td class="due">{{ $day($line['look']) }}</td>
                    <td class="quiet">{{ $say('record.to-be-looked-over') }}</td>
                </tr>
            @endif
        @endforeach
    </table>
    @if ($record['next_visit'] !== null)
        <p>{{ $say(
            'record.next-visit',
            on: $day($record['next_visit']),
            kinds: $record['next_kinds'] === null ? '' : ': ' . $kinds($record['next_kinds']),
            minutes: $record['next_minutes'] === null ? '' : $say('record.about-minutes', minutes: $record['next_minutes']),
        ) }}</p>
    @endif
@endif

@if ($ribbon !== null)
    <h2>{{ $say('record.what-is-left') }}</h2>
    {!! $ribbon !!}
    <p class="small quiet">{{ $say('record.how-to-read-the-ribbon') }}</p>
@endif

@if ($record['layers'] !== [])
    <h2>{{ $say($whole ? 'record.every-layer' : 'record.what-is-on-it') }}</h2>
    <table>
        <tr><th>{{ $say('record.zone') }}</th><th>{{ $say('record.layer') }}</th><th></th><th>{{ $say($whole ? 'record.on' : 'record.since') }}</th></tr>
        @foreach ($record['layers'] as $layer)
            <tr>
                <td>{{ $say('record.zone-named', zone: $layer['zone']) }}</td>
                <td>{{ $layer['name'] === $layer['family'] ? $say('record.family', family: str_replace('-', '_', $layer['family'])) : $layer['name'] }}</td>
                <td>{{ $say('record.layer-kind', kind: $layer['kind']) }}</td>
                <td>{{ $layer['until'] === null ? $day($layer['on']) : $say('record.from-to', from: $day($layer['on']), to: $day($layer['until'])) }}</td>
            </tr>
        @endforeach
    </table>
@endif

@unless ($one)
    <h2>{{ $say('record.turns', count: count($record['turns'])) }}</h2>
@endunless
@foreach ($record['turns'] as $turn)
    <div @unless ($one) class="turn" @endunless>
        <{{ $one ? 'h2' : 'h3' }}>{{ $day($turn['on']) }}@if ($turn['by'] !== null) · {{ $turn['by'] }}@endif</{{ $one ? 'h2' : 'h3' }}>
        <p>{{ $say('record.facts',
            method: $turn['method'],
            soil: $turn['soil'],
            grit: $turn['grit'] ? 'yes' : 'no',
            water: $turn['water'],
            litres: $turn['water_l'] === null ? '' : $say('record.litres', litres: round((float) $turn['water_l'])),
            minutes: $turn['minutes'] === null ? '' : $say('record.minutes', minutes: $turn['minutes']),
            clay: $turn['clay'] ? 'yes' : 'no',
            looked: $turn['looked_over'] ? 'yes' : 'no',
        ) }}</p>
        @foreach ($turn['readings'] as $reading)
            <div class="drop">{!! $drop($reading) !!}<div class="small">{{ $say('record.behaviour', behaviour: $reading['behaviour']) }}</div><div class="small quiet">{{ $say('record.read-at', stage: $reading['stage'], where: $reading['zone'] === 'paint' ? $reading['part'] : $reading['zone']) }}</div></div>
        @endforeach
        @foreach ($turn['says'] as $says)
            <p>{{ $says }}</p>
        @endforeach
        @if ($turn['products'] !== [] && $one)
            <table>
                <tr><th>{{ $say('record.product') }}</th><th>{{ $say('record.for') }}</th><th>{{ $say('record.on') }}</th><th class="right">{{ $say('record.used') }}</th><th class="gap">{{ $say('record.batch') }}</th></tr>
                @foreach ($turn['products'] as $use)
                    <tr>
                        <td>{{ $use['name'] }}</td>
                        <td>{{ $say("role.{$use['role']}") }}</td>
                        <td>{{ $say('record.zone-named', zone: $use['zone']) }}</td>
                        <td class="right">{{ $use['ml'] === null ? '–' : $say('record.ml', ml: round((float) $use['ml'])) }}</td>
                        <td class="gap">{{ $use['batch'] ?? '–' }}</td>
                    </tr>
                @endforeach
            </table>
        @elseif ($turn['products'] !== [])
            <p class="quiet">{{ implode(', ', array_unique(array_column($turn['products'], 'name'))) }}</p>
        @endif
        @if ($turn['seen'] !== [])
            <p>{{ $say('record.looked-over', seen: implode(', ', array_map(static fn (string $seen): string => $say('record.seen', seen: str_replace('-', '_', $seen)), $turn['seen']))) }}</p>
        @endif
        @if ($turn['left'] !== [])
            <p>{{ $say('record.left-for-another', kinds: $kinds($turn['left'])) }}</p>
        @endif
        @if ($one && $turn['refused'] !== [])
            <h3>{{ $say('record.kept-off') }}</h3>
            <ul>
                @foreach (array_slice($turn['refused'], 0, 10) as $refused)
                    <li>{{ trim(($refused['what'] ?? '') . ': ' . ($refused['why'] ?? ''), ': ') }}</li>
                @endforeach
            </ul>
        @endif
        @if ($turn['note'] !== null)
            <p class="strong">{{ $turn['note'] }}</p>
        @endif
        @if ($turn['corrected'])
            <p class="small quiet">{{ $say('record.corrected', reason: $turn['reason'] === null ? '' : ': ' . $turn['reason']) }}</p>
        @endif
    </div>
    @foreach ($turn['photos'] as $photo)
        @isset ($pictures[$photo['id']])
            <div class="photo"><img src="{{ $pictures[$photo['id']] }}"><div class="small quiet">{{ $say('record.photo', stage: $photo['stage'], zone: $photo['zone'], note: $photo['note'] === null ? '' : ': ' . $photo['note']) }}</div></div>
        @endisset
    @endforeach
@endforeach

@if ($record['cautions'] !== [])
    <h2>{{ $say('match-part.cautions') }}</h2>
    @foreach ($record['cautions'] as $caution)
        <p class="caution">{{ $caution }}</p>
    @endforeach
@endif
