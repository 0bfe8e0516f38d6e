@use('App\SignIn\Password')
@error('password')<p class="field-problem" role="alert" id="password-problem">{{ $message }}</p>@enderror
<div>
    <label class="form-label" for="password">New password</label>
    <input class="form-control" id="password" name="password" type="password" autocomplete="new-password" required
        minlength="{{ Password::SHORTEST }}" aria-describedby="password-about"
        @error('password') aria-invalid="true" @enderror>
    <p class="form-text" id="password-about">At least {{ Password::SHORTEST }} characters. A few words that do not belong together
        are good ones.</p>
</div>
<div>
    <label class="form-label" for="password-again">Once more</label>
    <input class="form-control" id="password-again" name="password_confirmation" type="password" autocomplete="new-password" required>
</div>
