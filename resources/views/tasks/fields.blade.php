<label class="form-label" for="task-title-{{ $key }}">What is to be done</label>
<input class="form-control" id="task-title-{{ $key }}" name="title" value="{{ old('title') }}" maxlength="300" required>
<label class="form-label" for="task-due-{{ $key }}">By</label>
<input class="form-control" id="task-due-{{ $key }}" type="datetime-local" name="due_at"
    value="{{ old('due_at', $time->local(now())->addWeekday()->setTime(9, 0)->format('Y-m-d\TH:i')) }}" required>
<label class="form-label" for="task-for-{{ $key }}">By whom</label>
<select class="form-select" id="task-for-{{ $key }}" name="assignee">@foreach ($teammates as $person)<option value="{{ $person->id }}"
    @selected((int) old('assignee', $teammate->id) === $person->id)>{{ $person->name }}</option>@endforeach</select>
<label class="form-label" for="task-remind-{{ $key }}">Reminded</label>
<select class="form-select" id="task-remind-{{ $key }}" name="remind"><option value="0">when it is due</option><option value="15">15
    minutes before</option><option value="60">an hour before</option><option value="1440">a day before</option><option value="">not at
    all</option></select>
