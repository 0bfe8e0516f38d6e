<?php

declare(strict_types=1);

namespace App\Templates;

use App\Team\SignedIn;
use Illuminate\Contracts\View\View;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;

/**
 * Templates in and out as files.
 */
final readonly class ExchangeController
{
    use ChoosesTemplates;

    private const LARGEST = 5 * 1024 * 1024;

    public function __construct(private GiveTemplates $give, private TakeTemplates $take) {}

    public function show(): View
    {
        return view('templates.exchange', ['report' => null, 'columns' => GiveTemplates::COLUMNS, 'problem' => null]);
    }

    public function take(Request $request): View
    {
        $upload = $request->file('file');
        $report = null;
        $problem = match (true) {
            ! $upload instanceof UploadedFile => 'Choose a CSV or JSON file first.',
            ! $upload->isValid() => 'The file did not arrive whole. Try it again.',
            $upload->getSize() > self::LARGEST => 'The file is larger than 5 MB. Split it in two.',
            default => null,
        };
        if ($problem === null && $upload instanceof UploadedFile) {
            try {
                $report = $this->take->take((string) file_get_contents($upload->getRealPath()), SignedIn::teammate($request));
            } catch (TemplateProblem $why) {
                $problem = $why->getMessage();
            }
        }

        return view('templates.exchange', ['report' => $report, 'columns' => GiveTemplates::COLUMNS, 'problem' => $problem]);
    }

    public function give(Request $request, string $format): Response
    {
        $templates = array_values(
            Template::seenBy(SignedIn::teammate($request))
                ->whereNull('retired_at')
                ->with(['languages', 'categories', 'team'])
                ->orderBy('folder')
                ->orderBy('name')
                ->get()
                ->all()
        );
        $isCsv = $format === 'csv';

        return response($isCsv ? $this->give->csv($templates) : $this->give->json($templates), 200, [
            'Content-Type' => $isCsv ? 'text/csv; charset=UTF-8; header=present' : 'application/json',
            'Content-Disposition' => "attachment; filename=\"templates.{$format}\"",
        ]);
    }
}
