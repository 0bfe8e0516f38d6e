<?php

declare(strict_types=1);

namespace App\Channels\WebForm;

use App\Hours\OpeningInWords;
use App\Hours\StoreHours;
use App\Support\NotStored;
use App\Support\RandomUuid;
use App\Support\SecurityHeaders;
use App\Support\Written;
use Illuminate\Contracts\Encryption\DecryptException;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Support\Facades\Validator;

/**
 * The form as customers see it, as a page and in a frame. Needs no session and no script: browsers
 * keep no cookies in frames of other sites. What was written stays in the form whatever goes wrong.
 */
final readonly class FormController
{
    private const MOST_FILES = 5;

    private const LARGEST_FILE_KILOBYTES = 10_240;

    /** Forms from one place in ten minutes: an office or a school has one address for all. */
    private const FROM_ONE_PLACE = 40;

    /** Of them, from one email address. */
    private const FROM_ONE_PERSON = 6;

    private const LIMIT_SECONDS = 600;

    /** A form that is older is filled in anew, with what was written. */
    private const OLDEST_SECONDS = 86_400;

    public function __construct(private TakeForm $takeForm, private StoreHours $hours) {}

    public function show(string $name): Response
    {
        return $this->page($this->form($name), false);
    }

    public function frame(string $name): Response
    {
        return $this->page($this->form($name), true);
    }

    public function send(Request $request, string $name): Response
    {
        $form = $this->form($name);
        $isFramed = $request->input('framed') === 'yes';
        [$openedAt, $onceKey] = $this->opened(Written::text($request, 'opened'));
        $checked = Validator::make($request->all(), $this->rules($form), $this->messages());
        if ($checked->fails()) {
            return $this->page($form, $isFramed, $request->except('files'), $checked->errors()->toArray(), 422);
        }
        if ($openedAt === null || $onceKey === null) {
            return $this->page(
                $form, $isFramed, $request->except('files'),
                ['opened' => ['The form was open for too long. Please send it again.']], 422
            );
        }
        $place = "form:{$form->account->id}:{$request->ip()}";
        $person = "{$place}:".hash('sha256', mb_strtolower(trim(Written::text($request, 'email'))));
        if (RateLimiter::tooManyAttempts($place, self::FROM_ONE_PLACE) || RateLimiter::tooManyAttempts($person, self::FROM_ONE_PERSON)) {
            return $this->page(
                $form, $isFramed, $request->except('files'),
                ['opened' => ['That is a lot of messages in a short time. What you wrote is still here; please send it in a few minutes.']],
                429
            );
        }
        RateLimiter::hit($place, self::LIMIT_SECONDS);
        RateLimiter::hit($person, self::LIMIT_SECONDS);
        /** @var list<UploadedFile> $files */
        $files = array_values((array) $request->file('files'));
        try {
            $taken = $this->takeForm->take(
                $form, FilledForm::from($checked->validated(), $form), $files, $onceKey, $openedAt,
                trim(Written::text($request, 'website')) !== ''
            );
        } catch (NotStored) {
            return $this->page($form, $isFramed, $request->except('files'), ['files' => [
                'The files could not be kept just now. What you wrote is still here; send it without them, or try again later.',
            ]], 503);
        }

        return $this->response(
            view('channels.forms.sent', ['form' => $form, 'taken' => $taken, 'email' => Written::text($request, 'email')])->render(),
            $form, $isFramed
        );
    }

    /**
     * @return array<string, mixed>
     */
    private function rules(Form $form): array
    {
        $rules = [
            'name' => ['required', 'string', 'max:200'],
            'email' => ['required', 'email:rfc', 'max:254'],
            'order' => ['nullable', 'required_with:return_reason', 'string', 'max:60'],
            'return_reason' => ['nullable', 'required_with:goods', 'integer', 'in:'.implode(',', $form->returnReasons()->modelKeys())],
            'goods' => ['nullable', 'string', 'max:2000'],
            'category' => ['nullable', 'integer', 'in:'.implode(',', $form->categories()->modelKeys())],
            'text' => ['required', 'string', 'max:100000'],
            'files' => ['nullable', 'array', 'max:'.self::MOST_FILES],
            'files.*' => ['file', 'max:'.self::LARGEST_FILE_KILOBYTES],
            'own' => ['nullable', 'array'],
        ];
        foreach ($form->fields as $index => $field) {
            $rules["own.{$index}"] = [$field['required'] ? 'required' : 'nullable', 'string', 'max:1000'];
        }

        return $rules;
    }

    /**
     * @return array<string, string>
     */
    private function messages(): array
    {
        return [
            'name.required' => 'Please tell us your name.',
            'email.required' => 'We need your email address to answer you.',
            'email.email' => 'This is not an email address we could answer to. Please look at it once more.',
            'order.required_with' => 'Please write the order’s number: something of it is to come back.',
            'return_reason.required_with' => 'Please choose why it comes back.',
            'text.required' => 'Please write what it is about.',
            'files.max' => 'At most '.self::MOST_FILES.' files, please.',
            'files.*.max' => 'A file may have at most 10 MB.',
            'files.*.uploaded' => 'A file could not be taken over. It may be too large.',
            'own.*.required' => 'Please fill this in.',
        ];
    }

    private function form(string $name): Form
    {
        return Form::named($name) ?? abort(404);
    }

    /**
     * @return array{int|null, string|null} when the form was opened, and its key
     */
    private function opened(string $token): array
    {
        try {
            [$at, $key] = explode('|', Crypt::decryptString($token), 2);
        } catch (DecryptException) {
            return [null, null];
        }

        return now()->getTimestamp() - (int) $at > self::OLDEST_SECONDS ? [null, null] : [(int) $at, $key];
    }

    /**
     * @param  array<string, mixed>  $written
     * @param  array<string, list<string>>  $problems
     */
    private function page(Form $form, bool $isFramed, array $written = [], array $problems = [], int $status = 200): Response
    {
        return $this->response(view('channels.forms.show', [
            'form' => $form,
            'isFramed' => $isFramed,
            'written' => $written,
            'problems' => $problems,
            'opening' => OpeningInWords::sentence($this->hours, 'en', now()),
            // A form that comes back keeps its key: it is still the same message.
            'opened' => is_string($written['opened'] ?? null) && ! isset($problems['opened'])
                ? $written['opened']
                : Crypt::encryptString(now()->getTimestamp().'|'.RandomUuid::make()),
        ])->render(), $form, $isFramed, $status);
    }

    private function response(string $html, Form $form, bool $isFramed, int $status = 200): Response
    {
        return response($html, $status, $isFramed ? [SecurityHeaders::ALLOW_FRAMES => $form->frameOrigins()] : []);
    }
}
