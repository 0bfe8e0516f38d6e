@props(['standing' => null])
{{ \App\Support\Drawings::cairn($standing) }}
