<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\Changes\Changes;
use App\Conversations\Changes\Chosen;
use App\Conversations\Conversation;
use App\Conversations\SetOwnField;
use App\Fields\About;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Sorting\Tag;
use App\Support\Languages;
use App\Team\SignedIn;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * What a conversation is marked with: priority, language, team, tags, the store's own fields.
 */
final readonly class DetailsController
{
    use ActsOnConversation;

    public function __construct(private Changes $changes, private SetOwnField $setOwnField) {}

    public function priority(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $priority = Priority::from($request->validate(['priority' => ['required', Rule::enum(Priority::class)]])['priority']);
        $this->changes->byHand('set_priority', $conversation, new Chosen($priority->value), SignedIn::teammate($request));

        return $this->done($conversation, "Priority {$priority->value}.");
    }

    public function language(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $language = (string) $request->validate(['language' => ['required', 'string', 'max:8']])['language'];
        $this->changes->byHand('set_language', $conversation, new Chosen($language), SignedIn::teammate($request));

        return $this->done($conversation, 'It is in '.Languages::name($language).': templates answer in that.');
    }

    public function team(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('take', $conversation);
        $chosen = $request->validate(['team' => ['nullable', 'integer']]);
        $this->changes->byHand('assign_team', $conversation, new Chosen((string) ($chosen['team'] ?? '')), SignedIn::teammate($request));
        $team = $conversation->refresh()->team;

        return $this->done($conversation, $team === null ? 'It lies with no team.' : "It lies with the team {$team->name}.");
    }

    public function tags(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $written = $request->validate(['give' => ['nullable', 'string', 'max:300'], 'take' => ['nullable', 'integer', 'exists:tags,id']]);
        $teammate = SignedIn::teammate($request);
        DB::transaction(function () use ($conversation, $written, $teammate): void {
            $give = (string) ($written['give'] ?? '');
            $give === '' || $this->changes->byHand('add_tag', $conversation, new Chosen(text: $give), $teammate);
            $take = isset($written['take']) ? Tag::query()->findOrFail((int) $written['take'])->name : '';
            $take === '' || $this->changes->byHand('remove_tag', $conversation, new Chosen(text: $take), $teammate);
        });

        return $this->done($conversation, 'Tags changed.');
    }

    public function fields(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $written = $request->validate([
            'order' => ['nullable', 'integer'],
            'fields' => ['required', 'array', 'max:100'],
            'fields.*' => ['nullable'],
            'fields.*.*' => ['nullable', 'string', 'max:5000'],
        ]);
        $order = isset($written['order']) ? $conversation->orders()->whereKey((int) $written['order'])->first() : null;
        $actor = Actor::teammate(SignedIn::teammate($request));
        $problems = [];
        // What fits is kept, whatever becomes of the rest.
        foreach (OwnField::query()->whereKey(array_keys($written['fields']))->get() as $field) {
            $value = $written['fields'][$field->id] ?? null;
            try {
                $this->setOwnField->set(
                    $conversation, $field, is_array($value) ? array_map(strval(...), $value) : (string) $value, $actor,
                    $field->about === About::Order ? $order : null
                );
            } catch (FieldRefused $why) {
                $problems[] = $why->getMessage();
            }
        }

        return $problems === []
            ? $this->done($conversation, 'Saved.')
            : redirect()->route('conversation', $conversation)->with('problem', implode(' ', $problems));
    }
}
