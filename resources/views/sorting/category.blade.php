@extends('layouts.app')
@section('title', $category->path)
@section('content')
<main id="content" class="page page-narrow">
    @include('set-up.places')
    <div class="page-head"><h1>{{ $category->path }}</h1><a class="btn btn-outline-secondary" href="/sorting/categories">All
        categories</a></div>
    <div class="page-two">
        <form method="post" action="/sorting/categories/{{ $category->id }}" class="sheet pad">
            @csrf
            @include('sorting.category-fields')
            <button class="btn btn-primary">Save</button>
        </form>
        <div>
            <form method="post" action="/sorting/categories/{{ $category->id }}/merge" class="sheet pad">
                @csrf
                <h2>Merge</h2>
                <p class="soft">What is not done yet moves to the other category. What is done keeps this one and is found under both.</p>
                <label class="form-label" for="category-into">Into</label>
                <select class="form-select" id="category-into" name="into" required>
                    <option value="">choose …</option>
                    @foreach ($categories as [$one, $depth])@continue($one->id === $category->id)<option
                        value="{{ $one->id }}">{{ $one->path }}</option>@endforeach
                </select>
                <button class="btn btn-outline-secondary">Merge</button>
            </form>
            <form method="post" action="/sorting/categories/{{ $category->id }}/retire" class="sheet pad below">
                @csrf
                <h2>Retire</h2>
                <p class="soft">Nobody is offered it any more. What has it keeps it, and it can be brought back.</p>
                <button class="btn btn-outline-secondary">Retire</button>
            </form>
        </div>
    </div>
</main>
@endsection
