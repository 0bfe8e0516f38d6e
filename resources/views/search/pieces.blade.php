{!! collect($pieces)->map(fn (array $piece): string => $piece[1] ? '<mark>'.e($piece[0]).'</mark>' : e($piece[0]))->implode('') !!}
