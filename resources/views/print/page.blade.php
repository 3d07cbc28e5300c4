<html lang="{{ $language }}">
<head>
<meta charset="utf-8">
<title>{{ $title }}</title>
<style>
    @@page { margin: 18mm 17mm 20mm; }
    body { font-family: "DejaVu Sans"; font-size: 9.2pt; line-height: 1.38; color: #15201f; margin: 0; }
    h1 { font-family: "DejaVu Serif"; font-size: 21pt; line-height: 1.1; margin: 0 0 1mm; }
    h2 { font-family: "DejaVu Serif"; font-size: 12.5pt; margin: 6mm 0 1.5mm; border-bottom: 0.3mm solid #15201f; padding-bottom: 0.8mm; page-break-after: avoid; }
    h3 { font-size: 9.6pt; margin: 3mm 0 0.6mm; page-break-after: avoid; }
    p { margin: 0 0 1.4mm; }
    .head { border-bottom: 1.2mm solid #176e6a; padding-bottom: 3mm; margin-bottom: 4mm; }
    .quiet { color: #55625f; } .small { font-size: 8pt; } .right { text-align: right; } .gap { padding-left: 4mm; } .strong { font-weight: bold; } .due { color: #8f4a12; font-weight: bold; }
    table { width: 100%; border-collapse: collapse; } td, th { text-align: left; vertical-align: top; padding: 1.1mm 2mm 1.1mm 0; border-bottom: 0.15mm solid #c9cfcc; } th { font-size: 8pt; color: #55625f; border-bottom: 0.3mm solid #8b9692; }
    .sum td { border-top: 0.4mm solid #15201f; border-bottom: none; font-weight: bold; font-size: 11pt; }
    .drop { display: inline-block; width: 30mm; text-align: center; vertical-align: top; margin: 1mm 1.5mm 1mm 0; }
    .photo { display: inline-block; width: 82mm; margin: 1mm 2.5mm 2.5mm 0; vertical-align: top; } .photo img { width: 82mm; }
    .turn { page-break-inside: avoid; } .caution { border-left: 1mm solid #15201f; padding-left: 2.5mm; margin: 1.2mm 0; }
    ul { margin: 0 0 1.5mm; padding-left: 5mm; } li { margin-bottom: 0.6mm; }
</style>
</head>
<body>{!! $body !!}</body>
</html>
