<?php

declare(strict_types=1);

namespace App\History;

use App\Channels\Account;
use App\Support\RandomUuid;
use App\Team\SignedIn;
use Carbon\CarbonImmutable;
use Illuminate\Contracts\View\View;
use Illuminate\Http\RedirectResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Validation\Rule;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use Symfony\Component\HttpFoundation\StreamedResponse;

final readonly class HistoryController
{
    public function __construct(private StartImport $startImport, private ExportHistory $export) {}

    public function index(): View
    {
        return view('history.index', [
            'imports' => HistoryImport::query()->with(['account', 'teammate'])->orderByDesc('id')->limit(20)->get(),
            'accounts' => Account::query()
                ->orderBy('id')
                ->get()
                ->filter(static fn (Account $account): bool => $account->channel->bringsMessages()),
            'formats' => HistoryFormat::cases(),
        ]);
    }

    public function store(Request $request): RedirectResponse
    {
        $chosen = $request->validate([
            'file' => ['required', 'file'],
            'account' => ['required', 'integer', 'exists:accounts,id'],
            'format' => ['nullable', Rule::enum(HistoryFormat::class)],
        ], ['file.required' => 'Choose a file first.',
            'file.uploaded' => 'The file could not be taken over: it is larger than 64 MB. Larger ones are taken by `php artisan '
                .'history:import`.']);
        $file = $request->file('file');
        $name = basename($file->getClientOriginalName());
        $kept = $file->move(HistoryUploads::folder(), RandomUuid::make())->getPathname();
        try {
            $import = $this->startImport->start(
                $kept, $name, HistoryFormat::tryFrom($chosen['format'] ?? ''),
                Account::query()->findOrFail((int) $chosen['account']), SignedIn::teammate($request)
            );
        } catch (HistoryRefused $why) {
            unlink($kept);

            return back()->with('problem', str_replace(basename($kept), $name, $why->getMessage()));
        }
        RunImport::dispatch($import->id);

        return redirect("/history/{$import->id}")->with('done', 'It is being taken over. You can leave this page and come back.');
    }

    public function show(Request $request, HistoryImport $import): View|Response
    {
        $content = [
            'import' => $import->load(['account', 'teammate']),
            'problems' => $import->problems()->orderBy('id')->limit(200)->get(),
        ];

        return $request->header('HX-Request') === null
            ? view('history.show', $content)
            : response(view('history.progress', $content)->render());
    }

    public function stop(HistoryImport $import): RedirectResponse
    {
        HistoryImport::query()->whereKey($import->id)->where('state', HistoryImport::RUNNING)->update(['state' => HistoryImport::STOPPED]);

        return back()->with('done', 'Stopped. It can go on from there.');
    }

    public function goOn(HistoryImport $import): RedirectResponse
    {
        HistoryImport::query()
            ->whereKey($import->id)
            ->where('state', HistoryImport::STOPPED)
            ->update(['state' => HistoryImport::RUNNING, 'lease_until' => null, 'problem' => null]);
        RunImport::dispatch($import->id);

        return back()->with('done', 'It goes on.');
    }

    public function export(Request $request): StreamedResponse|BinaryFileResponse
    {
        $chosen = $request->validate([
            'format' => ['required', Rule::enum(HistoryFormat::class)], 'from' => ['nullable', 'date_format:Y-m-d'],
        ]);
        $format = HistoryFormat::from($chosen['format']);
        $from = isset($chosen['from']) ? CarbonImmutable::parse($chosen['from'], 'UTC') : null;
        $name = 'conversations-'.now()->format('Y-m-d');
        if ($format === HistoryFormat::Eml) {
            $path = HistoryUploads::folder().RandomUuid::make().'.zip';
            $this->export->folder($path, $from);

            return response()->download($path, "{$name}.zip")->deleteFileAfterSend();
        }

        return response()->streamDownload(function () use ($format, $from): void {
            foreach ($this->export->pieces($format, $from) as $piece) {
                echo $piece;
                flush();
            }
        }, "{$name}.{$format->value}", ['Content-Type' => match ($format) {
            HistoryFormat::Csv => 'text/csv; charset=utf-8',
            HistoryFormat::JsonLines => 'application/jsonl; charset=utf-8',
            default => 'application/mbox',
        }]);
    }
}
