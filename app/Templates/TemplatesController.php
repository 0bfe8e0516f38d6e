<?php

declare(strict_types=1);

namespace App\Templates;

use App\Answering\RichText;
use App\Conversations\Conversation;
use App\Sorting\Category;
use App\Sorting\WhoMayRead;
use App\Store\Store;
use App\Support\HtmlCleaner;
use App\Support\Languages;
use App\Support\RefusedInput;
use App\Support\Written;
use App\Team\SignedIn;
use App\Team\Team;
use App\Team\Teammate;
use App\Views\SharedWith;
use Cairnfield\Core\Ratings\RatingKind;
use Cairnfield\Core\Ratings\RatingSummary;
use Cairnfield\Core\Templates\TemplateRefused;
use Cairnfield\Core\Text\Folding;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Facades\Validator;
use Illuminate\Validation\Rule;
use Locale;

/**
 * Making, changing and looking over templates.
 */
final readonly class TemplatesController
{
    use ChoosesTemplates;

    /** Uses from which on it can be said that one is often rewritten. */
    private const ENOUGH_USES = 5;

    private const REWRITTEN_FROM = 0.25;

    public function __construct(
        private SaveTemplate $save,
        private FillTemplate $fill,
        private Placeholders $placeholders,
        private StepChoices $choices,
        private HtmlCleaner $cleaner,
        private WhoMayRead $whoMayRead,
    ) {}

    public function index(Request $request): View
    {
        $teammate = SignedIn::teammate($request);
        $sort = in_array($request->query('sort'), ['used', 'rewritten'], true) ? $request->query('sort') : 'folder';
        $find = Folding::fold(mb_substr(Written::text($request, 'find'), 0, 100));
        $templates = Template::seenBy($teammate)
            ->whereNull('retired_at')
            ->with(['languages', 'files', 'team', 'teammate', 'categories'])
            ->orderBy('folder')
            ->orderBy('name')
            ->get()
            ->filter(
                static fn (Template $template): bool => $find === '' || str_contains(
                    Folding::fold("{$template->name} {$template->folder} {$template->languages->pluck('text')->implode(' ')}"),
                    $find
                )
            );
        $templates = match ($sort) {
            'used' => $templates->sortByDesc('uses'),
            'rewritten' => $templates->sortByDesc(
                static fn (Template $template): float => $template->hand_uses < self::ENOUGH_USES ? -1.0 : (float) $template->changedShare()
            ),
            default => $templates,
        };

        return view('templates.index', [
            'stars' => $this->stars(),
            'groups' => $sort === 'folder' ? $templates->groupBy('folder') : collect(['' => $templates]),
            'sort' => $sort,
            'find' => Written::text($request, 'find'),
            'teammate' => $teammate,
            'rewrittenFrom' => self::REWRITTEN_FROM,
            'enoughUses' => self::ENOUGH_USES,
            'retired' => Template::seenBy($teammate)
                ->whereNotNull('retired_at')
                ->orderBy('name')
                ->get()
                ->filter(static fn (Template $template): bool => $teammate->can('change', $template)),
        ]);
    }

    /**
     * What customers said of conversations after a template was used in them.
     *
     * @return array<int, RatingSummary> by template
     */
    private function stars(): array
    {
        $scores = $this->whoMayRead->narrowWhatTellsOf(DB::table('template_uses'), 'template_uses.conversation_id')
            ->join('ratings', 'ratings.conversation_id', '=', 'template_uses.conversation_id')
            ->whereColumn('ratings.rated_at', '>=', 'template_uses.at')
            ->distinct()->get(['template_uses.template_id', 'ratings.id', 'ratings.score'])->groupBy('template_id');

        return $scores->map(
            static fn (Collection $of): RatingSummary => RatingSummary::of(
                RatingKind::Stars, array_values(array_map(intval(...), $of->pluck('score')->all()))
            )
        )->all();
    }

    public function make(Request $request): View
    {
        return $this->page($request, null);
    }

    public function edit(Request $request, int $template): View
    {
        return $this->page($request, $this->seen($request, $template));
    }

    public function store(Request $request): RedirectResponse|View
    {
        return $this->keep($request, null);
    }

    public function update(Request $request, int $template): RedirectResponse|View
    {
        return $this->keep($request, $this->changeable($request, $template));
    }

    public function retire(Request $request, int $template): RedirectResponse
    {
        $found = $this->changeable($request, $template);
        $this->save->retire($found, true);

        return redirect('/templates')->with('done', "“{$found->name}” is retired. What was sent with it stays.");
    }

    public function bringBack(Request $request, int $template): RedirectResponse
    {
        $found = $this->changeable($request, $template);
        $this->save->retire($found, false);

        return redirect('/templates')->with('done', "“{$found->name}” is in use again.");
    }

    public function copy(Request $request, int $template): RedirectResponse
    {
        $copy = $this->save->copy($this->seen($request, $template), SignedIn::teammate($request));

        return redirect("/templates/{$copy->id}")->with('done', "“{$copy->name}” is made. Change what is to be different.");
    }

    public function versions(Request $request, int $template): View
    {
        $found = $this->seen($request, $template);

        return view('templates.versions', [
            'template' => $found,
            'versions' => TemplateVersion::query()
                ->where('template_id', $found->id)
                ->with('teammate')
                ->orderByDesc('version')
                ->limit(100)
                ->get(),
            'mayChange' => Gate::allows('change', $found),
        ]);
    }

    public function goBack(Request $request, int $template, int $version): RedirectResponse
    {
        $found = $this->changeable($request, $template);
        $kept = TemplateVersion::query()->where('template_id', $found->id)->where('version', $version)->firstOrFail();
        $this->save->goBackTo($found, $kept, SignedIn::teammate($request));

        return redirect("/templates/{$found->id}")->with('done', "As it was in version {$version}.");
    }

    /**
     * What is being written, filled for a real conversation.
     */
    public function preview(Request $request): View
    {
        $texts = $this->written($request);
        $languages = array_keys($texts);
        $language = $languages[min(max(0, $request->integer('shown')), max(0, count($languages) - 1))] ?? 'en';
        $conversation = $this->conversation($request);
        $filled = $problem = null;
        try {
            $filled = $conversation === null
                ? null
                : $this->fill->text($texts[$language]['text'] ?? '', $language, $conversation, SignedIn::teammate($request));
        } catch (TemplateRefused $why) {
            $problem = TemplateProblem::text($language, $why)->getMessage();
        }

        return view('templates.preview', ['filled' => $filled, 'problem' => $problem, 'conversation' => $conversation]);
    }

    private function keep(Request $request, ?Template $template): RedirectResponse|View
    {
        $teammate = SignedIn::teammate($request);
        $validator = Validator::make($request->all(), [
            'name' => ['required', 'string', 'max:120'],
            'folder' => ['nullable', 'string', 'max:120'],
            'shared_with' => ['required', Rule::enum(SharedWith::class)],
            'team' => ['nullable', 'integer', Rule::in($this->teams($teammate)->modelKeys())],
            'categories' => ['array'],
            'categories.*' => ['integer', 'exists:categories,id'],
        ]);
        try {
            if ($validator->fails()) {
                throw TemplateProblem::notKept(implode(' ', $validator->errors()->all()));
            }
            $written = $validator->validated();
            $this->refuseUnclear($this->rows($request));
            $saved = $this->save->save($template, new TemplateToSave(
                $written['name'],
                (string) ($written['folder'] ?? ''),
                SharedWith::from($written['shared_with']),
                isset($written['team']) ? (int) $written['team'] : null,
                $this->written($request),
                array_values(array_map(intval(...), $written['categories'] ?? [])),
                $this->choices->read($request),
                $request->integer('seen') ?: null,
            ), $teammate);
        } catch (TemplateProblem $why) {
            RefusedInput::showAgain($request, 'categories');
            $isBehind = $why->reason === 'changed_meanwhile';

            return $this->page($request, $isBehind ? $template?->refresh() : $template, $why->getMessage(), $isBehind);
        }

        return redirect("/templates/{$saved->id}")->with('done', "“{$saved->name}” is saved.");
    }

    private function page(Request $request, ?Template $template, ?string $problem = null, bool $isBehind = false): View
    {
        $teammate = SignedIn::teammate($request);
        $template?->load(['languages', 'files', 'categories']);
        $texts = $template?->inOrder()
            ->mapWithKeys(
                static fn (TemplateLanguage $in): array => [
                    $in->language => ['subject' => $in->subject, 'text' => $in->text, 'html' => $in->html],
                ]
            )
            ->all() ?? [];
        $texts = $texts === []
            ? [Store::current()->language => ['subject' => null, 'text' => '', 'html' => null]]
            : $texts;
        $rows = array_map(static fn (string $language): array => [$language, $texts[$language]], array_keys($texts));
        if ($problem !== null && $this->rows($request) !== []) {
            [$rows, $texts] = [$this->rows($request), $this->written($request)];
        }
        $conversation = $this->conversation($request, $template);

        return view('templates.form', [
            'template' => $template,
            'theirs' => $isBehind ? $template?->inOrder() : null,
            'seen' => $request->has('seen') && ! $isBehind ? $request->integer('seen') : $template?->version,
            'rows' => $rows,
            'problem' => $problem,
            'sharing' => SharedWith::choices($teammate, $template?->shared_with),
            'mayChange' => $template === null || $teammate->can('change', $template),
            'folders' => Template::seenBy($teammate)->where('folder', '!=', '')->distinct()->orderBy('folder')->pluck('folder'),
            'teams' => $this->teams($teammate),
            'categories' => Category::inUse()->get(),
            'placeholders' => $this->placeholders->all(),
            'stepChoices' => $this->choices->all(),
            'steps' => $problem !== null ? $this->choices->kept($request) : Step::possible($template->steps ?? []),
            'languages' => array_keys(Languages::all()),
            'conversation' => $conversation,
            'filled' => $conversation === null ? null : $this->tryToFill($texts, $conversation, $teammate),
        ]);
    }

    /**
     * @param  array<string, array{subject: string|null, text: string, html: string|null}>  $texts
     */
    private function tryToFill(array $texts, Conversation $conversation, Teammate $teammate): ?\Cairnfield\Core\Templates\FilledText
    {
        try {
            return $this->fill->text(reset($texts)['text'] ?? '', (string) array_key_first($texts), $conversation, $teammate);
        } catch (TemplateRefused) {
            return null;
        }
    }

    /**
     * @return array<string, array{subject: string|null, text: string, html: string|null}> by language
     */
    private function written(Request $request): array
    {
        $texts = [];
        foreach ($this->rows($request) as [$language, $text]) {
            if ($language !== '' && trim($text['text']) !== '') {
                $texts[$language] = $text;
            }
        }

        return $texts;
    }

    /**
     * What was written, row for row, also where a language is wanting or comes twice; empty rows are left out.
     *
     * @return list<array{string, array{subject: string|null, text: string, html: string|null}}>
     */
    private function rows(Request $request): array
    {
        $rows = [];
        foreach ((array) $request->input('texts') as $one) {
            $text = is_array($one) && is_string($one['text'] ?? null) ? $one['text'] : '';
            $language = is_array($one) && is_string($one['language'] ?? null) ? trim($one['language']) : '';
            $subject = is_array($one) && is_string($one['subject'] ?? null) && trim($one['subject']) !== '' ? $one['subject'] : null;
            $rich = is_array($one) && is_string($one['html'] ?? null) ? RichText::of($one['html'], $this->cleaner) : null;
            if (trim($text) !== '' || $rich !== null || $subject !== null) {
                $rows[] = [$language, ['subject' => $subject, 'text' => $rich->text ?? $text, 'html' => $rich?->html]];
            }
        }

        return $rows;
    }

    /**
     * Nothing that was written is dropped without a word.
     *
     * @param  list<array{string, array{subject: string|null, text: string, html: string|null}}>  $rows
     *
     * @throws TemplateProblem
     */
    private function refuseUnclear(array $rows): void
    {
        $languages = [];
        foreach ($rows as [$language, $text]) {
            $name = (string) Locale::getDisplayLanguage($language, 'en');
            match (true) {
                $language === '' => throw TemplateProblem::withoutLanguage(),
                isset($languages[$language]) => throw TemplateProblem::languageTwice($name),
                trim($text['text']) === '' => throw TemplateProblem::subjectAlone($name),
                default => $languages[$language] = true,
            };
        }
    }

    /**
     * The one whose number was written; else the latest in a category that the template is for.
     */
    private function conversation(Request $request, ?Template $template = null): ?Conversation
    {
        $number = preg_replace('/\D/', '', is_string($request->input('conversation')) ? $request->input('conversation') : '');
        if ($number !== '' && $number !== null) {
            $found = Conversation::query()->find((int) $number);
            $found === null ?: Gate::authorize('view', $found);

            return $found;
        }
        Gate::authorize('viewAny', Conversation::class);
        $latest = Conversation::readable()->where('junk', false)->whereHas('orders')->orderByDesc('last_message_at');
        $categories = $template?->categories->modelKeys() ?? [];

        return (
            $categories === [] ? null : $latest->clone()->whereIn('category_id', $categories)->first()
        ) ?? $latest->first() ?? Conversation::readable()
            ->orderByDesc('last_message_at')
            ->first();
    }

    /**
     * @return \Illuminate\Database\Eloquent\Collection<int, Team>
     */
    private function teams(Teammate $teammate): \Illuminate\Database\Eloquent\Collection
    {
        return $teammate->role->arranges() ? Team::query()->orderBy('name')->get() : $teammate->teams()->orderBy('name')->get();
    }
}
