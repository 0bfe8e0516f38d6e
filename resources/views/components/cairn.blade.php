@use('App\Support\Drawings')
@props(['standing' => null])
{{ Drawings::cairn($standing) }}
