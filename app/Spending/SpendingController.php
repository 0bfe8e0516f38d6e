<?php

declare(strict_types=1);

namespace App\Spending;

use Illuminate\Contracts\View\View;

final readonly class SpendingController
{
    public function __construct(private UnusualSpending $unusual, private WhatItCost $cost) {}

    public function show(): View
    {
        return view('spending.show', [
            'customers' => $this->unusual->customers(), 'people' => $this->unusual->people(), 'addresses' => $this->unusual->addresses(),
            'reasons' => $this->cost->byReason(), 'products' => $this->cost->byProduct(), 'weeks' => $this->cost->byWeek(),
        ]);
    }
}
