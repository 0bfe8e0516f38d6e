<?php

declare(strict_types=1);

namespace App\Workspace;

use App\Conversations\Actor;
use App\Conversations\ActsOnConversation;
use App\Conversations\AssignTeam;
use App\Conversations\ChangeTags;
use App\Conversations\Conversation;
use App\Conversations\SetLanguage;
use App\Conversations\SetOwnField;
use App\Conversations\SetPriority;
use App\Fields\About;
use App\Fields\FieldRefused;
use App\Fields\OwnField;
use App\Sorting\Tag;
use App\Support\Languages;
use App\Team\Team;
use Cairnfield\Core\Queue\Priority;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Validation\Rule;

/**
 * What a conversation is marked with: priority, language, team, tags, the store's own fields.
 */
final readonly class DetailsController
{
    use ActsOnConversation;

    public function __construct(
        private SetPriority $setPriority,
        private SetLanguage $setLanguage,
        private AssignTeam $assignTeam,
        private ChangeTags $changeTags,
        private SetOwnField $setOwnField,
    ) {}

    public function priority(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $priority = Priority::from($request->validate(['priority' => ['required', Rule::enum(Priority::class)]])['priority']);
        $this->setPriority->set($conversation, $priority, Actor::teammate($this->teammate($request)));

        return $this->done($conversation, "Priority {$priority->value}.");
    }

    public function language(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $language = (string) $request->validate(['language' => ['required', 'string', Rule::in(array_keys(Languages::all()))]])['language'];
        $this->setLanguage->set($conversation, $language, Actor::teammate($this->teammate($request)));

        return $this->done($conversation, 'It is in '.Languages::name($language).': templates answer in that.');
    }

    public function team(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('take', $conversation);
        $chosen = $request->validate(['team' => ['nullable', 'integer', 'exists:teams,id']]);
        $team = isset($chosen['team']) ? Team::query()->findOrFail((int) $chosen['team']) : null;
        $this->assignTeam->assign($conversation, $team, Actor::teammate($this->teammate($request)));

        return $this->done($conversation, $team === null ? 'It lies with no team.' : "It lies with the team {$team->name}.");
    }

    public function tags(Request $request, Conversation $conversation): RedirectResponse
    {
        Gate::authorize('note', $conversation);
        $written = $request->validate([
            'give' => ['nullable', 'string', 'max:300'],
            'take' => ['nullable', 'integer', 'exists:tags,id'],
        ]);
        $give = array_map(
            ChangeTags::named(...),
            array_values(
                array_filter(
                    array_map(trim(...), explode(',', (string) ($written['give'] ?? ''))),
                    static fn (string $name): bool => $name !== ''
                )
            )
        );
        $take = isset($written['take']) ? [Tag::query()->findOrFail((int) $written['take'])] : [];
        $this->changeTags->change($conversation, $give, $take, Actor::teammate($this->teammate($request)));

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
        $actor = Actor::teammate($this->teammate($request));
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
