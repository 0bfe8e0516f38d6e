@props(['name', 'label' => null])
{{ \App\Support\Drawings::icon($name, $label) }}
