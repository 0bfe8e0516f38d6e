@extends('channels.forms.layout')
@section('title', $title)
@section('language', $language)
@section('content')
<h1>{{ $title }}</h1>
<p>{{ $said }}</p>
@endsection
