@extends('layouts.app')
@section('title', 'Categories')
@section('content')
<main id="content" class="page">
    @include('set-up.places')
    <div class="page-head"><h1>Categories</h1></div>
    <div class="page-two page-two-wide">
        <div>
            <table class="table sheet">
                <caption class="visually-hidden">Categories in their tree</caption>
                <thead><tr><th scope="col">Inside name</th><th scope="col">What customers read</th><th scope="col">Responsible</th><th
                    scope="col">Who knows about it</th><th scope="col" class="num">Conversations</th></tr></thead>
                <tbody>
                    @foreach ($categories as [$one, $depth])
                        <tr>
                            <td class="depth-{{ $depth }}"><a href="/sorting/categories/{{ $one->id }}">{{ $one->name }}</a></td>
                            <td class="{{ $one->hidden ? 'soft' : '' }}">{{ $one->hidden ? 'hidden from customers' : $one->customer_name
                                }}</td>
                            <td>{{ $one->responsible?->firstName() ?? '—' }}</td>
                            <td>{{ $one->members->map->firstName()->implode(', ') ?: '—' }}@if (in_array($one->id, $closed, true))
                                <span class="soft">· they alone read it</span>@endif</td>
                            <td class="num">{{ $counts[$one->id] ?? 0 }}</td>
                        </tr>
                    @endforeach
                </tbody>
            </table>
            @include('sorting.retired', ['at' => '/sorting/categories', 'mergedNames' => collect($categories)->mapWithKeys(fn ($row) =>
                [$row[0]->id => $row[0]->path])])
        </div>
        <form method="post" action="/sorting/categories" class="sheet pad">
            @csrf
            <h2>New category</h2>
            @include('sorting.category-fields', ['category' => null])
            <button class="btn btn-primary">Make it</button>
        </form>
    </div>
</main>
@endsection
