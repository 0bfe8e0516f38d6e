<?php

declare(strict_types=1);

namespace App\Templates;

use App\Sorting\Category;
use App\Store\Store;
use App\Support\SpreadsheetCell;
use App\Team\Team;
use App\Team\Teammate;
use App\Views\SharedWith;
use JsonException;

/**
 * Takes templates from a file, each that fits; for each that does not, a line says why. One of the same name and
 * folder that the person may change becomes a new version; the same again changes nothing.
 */
final readonly class TakeTemplates
{
    private const MOST = 5000;

    private const NEEDED = ['name', 'text'];

    public function __construct(private SaveTemplate $save) {}

    /**
     * @return list<array{place: string, name: string, what: string, problem: bool}> one for each template or line
     *
     * @throws TemplateProblem when it is no such file at all
     */
    public function take(string $bytes, Teammate $teammate): array
    {
        $bytes = (string) preg_replace(
            '/^\x{FEFF}/u', '', mb_check_encoding($bytes, 'UTF-8') ? $bytes : mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252')
        );
        [$found, $report] = str_starts_with(ltrim($bytes), '{') || str_starts_with(ltrim($bytes), '[')
            ? $this->ofJson($bytes)
            : $this->ofCsv($bytes);
        $taken = [];
        foreach ($found as $place => $one) {
            try {
                $report[] = [
                    'place' => (string) $place, 'name' => $one['name'], 'what' => $this->one($one, $teammate, $taken),
                    'problem' => false,
                ];
            } catch (TemplateProblem $why) {
                $report[] = self::problem((string) $place, $one['name'], $why->getMessage());
            }
        }

        return $report;
    }

    /**
     * @param  array<string, mixed>  $one
     * @param  list<int>  $taken  of the same file already
     */
    private function one(array $one, Teammate $teammate, array &$taken): string
    {
        if (($one['broken'] ?? null) !== null) {
            throw TemplateProblem::inFile("Not taken: it would lack what stands in {$one['broken']}, which does not fit.");
        }
        $sharedWith = SharedWith::tryFrom($one['shared_with'] === '' ? SharedWith::Nobody->value : $one['shared_with'])
            ?? throw TemplateProblem::inFile("shared_with is “{$one['shared_with']}”. It must be nobody, team or everybody.");
        $team = $sharedWith !== SharedWith::Team ? null : Team::query()->where('name', $one['team'])->value('id')
            ?? throw TemplateProblem::inFile("There is no team “{$one['team']}”.");
        // Own ones and everybody's can have one name; what is shared otherwise in the file than it is here changes that.
        $existing = Template::seenBy($teammate)->whereNull('retired_at')
            ->where('name', $one['name'])
            ->where('folder', $one['folder'])
            ->whereKeyNot($taken)
            ->get()
            ->sortByDesc(
                static fn (Template $template): bool => $template->shared_with === $sharedWith
                    && $template->team_id === ($team === null ? null : (int) $team)
            )
            ->first(static fn (Template $template): bool => $teammate->can('change', $template));
        $version = $existing?->version;
        $saved = $this->save->save(
            $existing,
            new TemplateToSave(
                $one['name'], $one['folder'], $sharedWith, $team === null ? null : (int) $team, $one['texts'],
                $this->categories($one['categories']), Step::all($one['steps'])
            ),
            $teammate
        );

        $taken[] = $saved->id;

        return match (true) {
            $existing === null => 'made',
            $saved->version === $version => 'is so already',
            default => "changed, now version {$saved->version}",
        };
    }

    /**
     * @param  list<string>  $paths
     * @return list<int>
     */
    private function categories(array $paths): array
    {
        return array_map(
            static fn (string $path): int => (int) (
                Category::inUse()
                    ->where('path', $path)
                    ->value('id') ?? throw TemplateProblem::inFile(
                        "There is no category “{$path}”. Write its whole path, such as “Delivery › Late parcel”."
                    )
            ),
            $paths
        );
    }

    /**
     * Lines of one name and folder are one template in several languages.
     *
     * @return array{array<int|string, array<string, mixed>>, list<array{place: string, name: string, what: string, problem: bool}>}
     */
    private function ofCsv(string $bytes): array
    {
        $file = fopen('php://temp', 'w+b') ?: throw TemplateProblem::inFile('There is no room to read it.');
        fwrite($file, $bytes);
        rewind($file);
        [$headings, $separator] = $this->headings((string) fgets($file));
        $found = $report = $places = $broken = [];
        for ($line = 2; ($row = fgetcsv($file, null, $separator, '"', '')) !== false; $line++) {
            if ($row === [null]) {
                continue;
            }
            if ($line > self::MOST + 1) {
                $report[] = self::tooMany("row {$line}");
                break;
            }
            $row = array_map(static fn (?string $cell): string => SpreadsheetCell::read((string) $cell), $row);
            $value = [
                ...array_fill_keys(GiveTemplates::COLUMNS, ''),
                ...array_map(
                    strval(...), array_combine($headings, array_slice(array_pad($row, count($headings), ''), 0, count($headings)))
                ),
            ];
            [$name, $folder, $language] = [trim($value['name']), trim($value['folder']), trim($value['language'])];
            $language = $language === '' ? Store::current()->language : $language;
            $key = implode("\n", [$folder, $name, trim($value['shared_with']), trim($value['team'])]);
            $steps = trim($value['steps']) === '' ? [] : json_decode($value['steps'], true);
            $place = $places[$key] ??= "row {$line}";
            $problem = match (true) {
                count($row) !== count($headings) => 'It has '.count($row).' fields, and the headings name '.count($headings).'.',
                ! is_array($steps) || ! array_is_list($steps) => 'Its steps are no JSON list such as [{"do": "add_tag", "value": '
                    .'"festival"}].',
                isset($found[$place]['texts'][$language]) => "It is there in “{$language}” twice, the first time in {$place}.",
                default => null,
            };
            if ($problem !== null) {
                $report[] = self::problem("row {$line}", $name, $problem);
                // Columns may have slipped: the name is all that can be gone by.
                $broken[$name] = "row {$line}";

                continue;
            }
            $found[$place] ??= [
                'name' => $name, 'folder' => $folder, 'shared_with' => trim($value['shared_with']), 'team' => trim($value['team']),
                'categories' => array_values(
                    array_filter(array_map(trim(...), explode('|', $value['categories'])), static fn (string $path): bool => $path !== '')
                ),
                'texts' => [], 'steps' => $steps,
            ];
            $found[$place]['texts'][$language] = ['subject' => $value['subject'], 'text' => $value['text'], 'html' => $value['html']];
        }

        return [array_map(static fn (array $one): array => [...$one, 'broken' => $broken[$one['name']] ?? null], $found), $report];
    }

    /**
     * @return array{place: string, name: string, what: string, problem: bool}
     */
    private static function tooMany(string $place): array
    {
        return self::problem(
            $place, '',
            'Not looked at, with all that follows: a file has '.number_format(self::MOST).' at most. Give the rest in another.'
        );
    }

    /**
     * @return array{place: string, name: string, what: string, problem: bool}
     */
    private static function problem(string $place, string $name, string $what): array
    {
        return ['place' => $place, 'name' => $name, 'what' => $what, 'problem' => true];
    }

    /**
     * @return array{list<string>, string} the headings, and what separates the fields
     */
    private function headings(string $line): array
    {
        foreach ([',', ';', "\t"] as $separator) {
            $headings = array_map(
                static fn (?string $heading): string => strtolower(trim((string) $heading)), str_getcsv($line, $separator, '"', '')
            );
            if (array_diff(self::NEEDED, $headings) === [] && count(array_unique($headings)) === count($headings)) {
                $unknown = array_diff($headings, GiveTemplates::COLUMNS);
                if ($unknown !== []) {
                    throw TemplateProblem::inFile(
                        'The first line names columns that are not known: '.implode(', ', $unknown).'. Known are: '.implode(
                            ', ', GiveTemplates::COLUMNS
                        ).'.'
                    );
                }

                return [array_values($headings), $separator];
            }
        }
        throw TemplateProblem::inFile(
            'The first line must name the columns, each once: '
                .implode(', ', self::NEEDED)
                .' at least, and of these what you have: '
                .implode(
                    ', ', array_diff(GiveTemplates::COLUMNS, self::NEEDED)
                ).'.'
        );
    }

    /**
     * @return array{array<int|string, array<string, mixed>>, list<array{place: string, name: string, what: string, problem: bool}>}
     */
    private function ofJson(string $bytes): array
    {
        try {
            $read = json_decode($bytes, true, 64, JSON_THROW_ON_ERROR);
        } catch (JsonException $why) {
            throw TemplateProblem::inFile("It is no JSON that can be read: {$why->getMessage()}.");
        }
        $list = is_array($read) && array_is_list($read) ? $read : (is_array($read) ? $read['templates'] ?? null : null);
        if (! is_array($list)) {
            throw TemplateProblem::inFile('It has no list “templates”.');
        }
        $found = $report = $places = [];
        foreach (array_values($list) as $index => $one) {
            $place = 'template '.($index + 1);
            if ($index >= self::MOST) {
                $report[] = self::tooMany($place);
                break;
            }
            $text = static fn (string $key): string => is_array($one) && is_scalar($one[$key] ?? null) ? trim((string) $one[$key]) : '';
            $texts = is_array($one) && is_array($one['texts'] ?? null) ? $one['texts'] : [];
            $isWhole = is_array($one) && array_filter(
                $texts, static fn (mixed $in): bool => ! is_array($in) || ! is_string($in['text'] ?? null)
            ) === [] && is_array($one['steps'] ?? []) && is_array($one['categories'] ?? []) && array_filter($one['categories'] ?? [],
                is_string(...)) === ($one['categories'] ?? []);
            if (! $isWhole) {
                $report[] = self::problem(
                    $place, $text('name'),
                    'Its texts must be objects by language, each with a text; its categories a list of paths, its steps a list.'
                );

                continue;
            }
            $first = $places[implode("\n", array_map($text, ['folder', 'name', 'shared_with', 'team']))] ??= $place;
            if ($first !== $place) {
                $report[] = self::problem($place, $text('name'), "It is there twice, the first time as {$first}.");

                continue;
            }
            $found[$place] = [
                'name' => $text('name'), 'folder' => $text('folder'), 'shared_with' => $text('shared_with'), 'team' => $text('team'),
                'categories' => array_values($one['categories'] ?? []),
                'texts' => array_map(
                    static fn (array $in): array => [
                        'subject' => is_string($in['subject'] ?? null) ? $in['subject'] : null, 'text' => $in['text'],
                        'html' => is_string($in['html'] ?? null) ? $in['html'] : null,
                    ],
                    $texts
                ),
                'steps' => array_values($one['steps'] ?? []),
            ];
        }

        return [$found, $report];
    }
}
