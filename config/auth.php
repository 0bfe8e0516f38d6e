<?php

declare(strict_types=1);

use App\Team\Teammate;

return [
    'defaults' => ['guard' => 'web', 'passwords' => 'teammates'],
    'guards' => [
        'web' => ['driver' => 'session', 'provider' => 'teammates'],
    ],
    'providers' => [
        'teammates' => ['driver' => 'eloquent', 'model' => Teammate::class],
    ],
];
