<!doctype html>
<html lang="en">
    <head>
        <meta charset="utf-8">
        <title>Vicissa</title>
    </head>
    <body>
        <p>Vicissa answers.</p>
    </body>
</html>
