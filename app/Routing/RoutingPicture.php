<?php

declare(strict_types=1);

namespace App\Routing;

use App\Channels\Account;
use App\Conversations\Conversation;
use App\Rules\Rule;
use App\Sorting\BringsAlong;
use App\Sorting\Category;
use App\Sorting\WhoMayRead;
use App\Team\Team;
use Carbon\CarbonImmutable;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\HtmlString;

/**
 * How what comes in is handed out as things stand: ways in, rules and categories, teams with their way of giving. Drawn from the
 * settings, with how many came each way in the last days.
 */
final class RoutingPicture
{
    public const DAYS = 30;

    private const WIDTH = 1180;

    private const ROW = 34;

    private const BOX = 26;

    private const COLUMNS = [0, 430, 860];

    private const BOX_WIDTH = 300;

    /** @var array<string, array{int, int}> by the key of a box, its middle at the left and at the right */
    private array $places = [];

    private string $boxes = '';

    private string $lines = '';

    private int $rows = 0;

    /** @var list<string> what is drawn, in words */
    private array $said = [];

    public static function draw(): HtmlString
    {
        return (new self)->drawn();
    }

    private function drawn(): HtmlString
    {
        $teams = Team::query()->orderBy('name')->get();
        $this->teams($teams->all());
        // What hands out stands below, so that no way in seems to lead through it.
        $this->between($teams->keyBy('id')->all(), $this->waysIn());
        $height = $this->rows * self::ROW + 10;
        $size = 'viewBox="0 0 '.self::WIDTH." {$height}\" width=\"".self::WIDTH."\" height=\"{$height}\"";

        $said = e(implode('; ', $this->said));

        return new HtmlString("<svg class=\"routing\" {$size} role=\"img\" aria-label=\"{$said}\" focusable=\"false\">"
            ."<g class=\"routing-lines\">{$this->lines}</g>{$this->boxes}</svg>");
    }

    /**
     * @param  array<Team>  $teams
     */
    private function teams(array $teams): void
    {
        $ways = ['even' => 'in turns', 'weighted' => 'by share', 'fewest_open' => 'fewest open'];
        $counts = $this->counts('team_id');
        foreach (array_values($teams) as $row => $team) {
            $way = $team->next_only ? 'what is next' : ($team->turns === null ? 'people pick' : $ways[$team->turns->value]);
            $this->box("team-{$team->id}", 2, $row, "{$team->name}, {$way}", (int) ($counts[$team->id] ?? 0));
        }
    }

    /**
     * Rules that hand out, and categories that bring a team along.
     *
     * @param  array<int, Team>  $teams
     * @param  int  $row  the first that is free
     */
    private function between(array $teams, int $row): void
    {
        $runs = app(WhoMayRead::class)->narrowWhatTellsOf(DB::table('rule_runs'), 'rule_runs.conversation_id')
            ->where('at', '>=', CarbonImmutable::now()->subDays(self::DAYS))->groupBy('rule_id')
            ->selectRaw('rule_id, COUNT(*) AS count')->pluck('count', 'rule_id');
        foreach (Rule::inOrder()->where('on', true)->get() as $rule) {
            $to = array_values(array_filter(array_map(
                static fn (array $action): ?int => $action['do'] === 'assign_team' ? (int) ($action['value'] ?? 0) : null, $rule->actions
            )));
            $givesOut = $to !== [] || in_array('assign_person', array_column($rule->actions, 'do'), true);
            if ($givesOut) {
                $this->box("rule-{$rule->id}", 1, $row++, "Rule: {$rule->name}", (int) ($runs[$rule->id] ?? 0));
                foreach ($to as $team) {
                    $this->line("rule-{$rule->id}", "team-{$team}", "the rule {$rule->name} gives to ".($teams[$team]->name ?? 'a team'));
                }
            }
        }
        $counts = $this->counts('category_id');
        foreach (Category::inUse()->get() as $category) {
            $brings = $category->brings_team_id === null ? null : BringsAlong::of($category)->team;
            if ($brings !== null) {
                $this->box("category-{$category->id}", 1, $row++, $category->path, (int) ($counts[$category->id] ?? 0));
                $name = $teams[$brings]->name ?? 'a team';
                $this->line("category-{$category->id}", "team-{$brings}", "{$category->path} goes to {$name}");
            }
        }
    }

    /**
     * @return int how many rows they take
     */
    private function waysIn(): int
    {
        $counts = $this->counts('account_id');
        $row = 0;
        foreach (Account::query()->with('team')->orderBy('id')->get() as $account) {
            if ($account->channel->bringsMessages()) {
                $this->box("account-{$account->id}", 0, $row++, $account->title(), (int) ($counts[$account->id] ?? 0));
                $account->team_id === null ?: $this->line(
                    "account-{$account->id}", "team-{$account->team_id}",
                    "{$account->title()} goes to ".($account->team->name ?? 'a team')
                );
            }
        }

        return $row;
    }

    private function box(string $key, int $column, int $row, string $text, int $count): void
    {
        $x = self::COLUMNS[$column];
        $y = $row * self::ROW + 4;
        $this->rows = max($this->rows, $row + 1);
        $this->places[$key] = [$x, $y + intdiv(self::BOX, 2)];
        $shown = e(mb_strimwidth($text, 0, 40, '…'));
        $size = 'width="'.self::BOX_WIDTH.'" height="'.self::BOX.'" rx="3"';
        $this->boxes .= '<g><title>'.e($text)."</title><rect x=\"{$x}\" y=\"{$y}\" {$size}/>"
            .'<text x="'.($x + 10).'" y="'.($y + 18)."\">{$shown}</text>"
            .'<text class="routing-count" x="'.($x + self::BOX_WIDTH - 10).'" y="'.($y + 18)."\">{$count}</text></g>";
    }

    private function line(string $from, string $to, string $said): void
    {
        if (isset($this->places[$from], $this->places[$to])) {
            [$x, $y] = $this->places[$from];
            [$toX, $toY] = $this->places[$to];
            $x += self::BOX_WIDTH;
            $half = intdiv($toX - $x, 2);
            $this->lines .= "<path d=\"M{$x} {$y} C".($x + $half)." {$y} ".($toX - $half)." {$toY} {$toX} {$toY}\"/>";
            $this->said[] = $said;
        }
    }

    /**
     * @return array<int, int> conversations that began in the last days, by what stands in a column of theirs
     */
    private function counts(string $column): array
    {
        return Conversation::readable()->toBase()
            ->where('created_at', '>=', CarbonImmutable::now()->subDays(self::DAYS))->whereNotNull($column)
            ->groupBy($column)->selectRaw("{$column} AS value, COUNT(*) AS count")->pluck('count', 'value')->map(intval(...))->all();
    }
}
