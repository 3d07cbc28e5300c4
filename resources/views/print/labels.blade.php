<html>
<head>
<meta charset="utf-8">
<style>
    @@page { margin: 1.5mm 2.5mm; }
    body { font-family: "DejaVu Sans"; margin: 0; color: #111; }
    .label + .label { page-break-before: always; }
    h1 { line-height: 1.05; margin: 0 0 1mm; border-bottom: 0.4mm solid #111; padding-bottom: 0.6mm; }
    p { line-height: 1.15; margin: 0 0 0.6mm; }
    .mix { font-weight: bold; }
</style>
</head>
<body>@foreach ($pages as [$label, $points])<div class="label" style="font-size: {{ sprintf('%.2F', 0.66 * $points) }}pt"><h1 style="font-size: {{ sprintf('%.2F', $points) }}pt">{{ $label['name'] }}</h1><p class="mix" style="font-size: {{ sprintf('%.2F', $points) }}pt">{{ $label['dilution'] }}</p><p>{{ $say('label.mixed', on: $label['mixed_on']) }}</p><p>@if (($label['caution'] ?? '') !== '')! {{ $label['caution'] }}@endif</p></div>@endforeach</body>
</html>
