{{ $sheet->deduction($line->id) === 0 ? '—' : $order->money(-$sheet->deduction($line->id)) }}
