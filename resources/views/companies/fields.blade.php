{{-- What a company is known by, to be written. --}}
@php $company ??= null; @endphp
<label class="form-label" for="company-name">Name</label><input class="form-control" id="company-name" name="name" required
    maxlength="200" value="{{ old('name', $company?->name) }}">
<label class="form-label" for="company-domains">Mail domains</label><input class="form-control" id="company-domains" name="domains"
    value="{{ old('domains', $company?->domains->pluck('domain')->implode(', ')) }}" placeholder="kitebarn.example"
    aria-describedby="company-domains-say">
<p class="form-text" id="company-domains-say">Whoever writes from one of them is proposed; a person confirms.</p>
<label class="form-label" for="company-responsible">Responsible with us</label>
<select class="form-select" id="company-responsible" name="responsible"><option value="">nobody</option>@foreach ($teammates as $one)<option
    value="{{ $one->id }}" @selected((int) old('responsible', $company?->responsible_id) === $one->id)>{{ $one->name }}</option>@endforeach
    @if ($company?->responsible !== null && ! in_array($company->responsible_id, array_column($teammates, 'id'), true))
        <option value="{{ $company->responsible_id }}" selected>{{ $company->responsible->name }}, no longer at work</option>
    @endif</select>
<label class="form-label" for="company-addresses">Addresses, an empty line between them</label><textarea class="form-control"
    id="company-addresses" name="addresses"
    rows="4">{{ old('addresses', implode("\n\n", $company?->addresses ?? [])) }}</textarea>
