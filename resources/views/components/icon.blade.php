@use('App\Support\Drawings')
@props(['name', 'label' => null])
{{ Drawings::icon($name, $label) }}
