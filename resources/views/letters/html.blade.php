<!doctype html>
<html>
<head><meta charset="utf-8"><title>{{ $about }}</title></head>
<body style="margin:0;padding:24px;background:#f4f4ef;color:#17212b;font:16px/1.5 Georgia,serif">
<div style="max-width:560px;margin:0 auto;padding:24px;background:#fff;border:1px solid #d9dcd6">
@foreach ($paragraphs as $paragraph)
<p style="margin:0 0 16px">{{ $paragraph }}</p>
@endforeach
</div>
</body>
</html>
