<!doctype html>
<html lang="en">
<head>
    <meta charset="utf-8">
    <meta name="viewport" content="width=device-width, initial-scale=1">
    <meta name="color-scheme" content="light">
    <title>Sternbild</title>
    <link rel="icon" type="image/svg+xml" href="/mark.svg">
    @vite('resources/js/main.tsx')
</head>
<body>
    <div id="app"></div>
    <noscript>Sternbild needs JavaScript.</noscript>
</body>
</html>
