<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1, viewport-fit=cover">
    <meta name="color-scheme" content="light dark">
    <title>Vicissa</title>
    <meta name="theme-color" content="#182226">
    <link rel="icon" href="/mark.svg" type="image/svg+xml">
    <link rel="apple-touch-icon" href="/mark-192.png">
    <link rel="manifest" href="/manifest.webmanifest">
    @vite(['resources/ui/early.ts', 'resources/ui/main.ts'])
</head>
<body>
    <div id="app"></div>
    <noscript>Vicissa needs JavaScript to draw its ribbons.</noscript>
</body>
</html>
