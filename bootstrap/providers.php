<?php

declare(strict_types=1);

use App\Support\ApplicationServiceProvider;
use App\Support\Contributions;

return [
    ApplicationServiceProvider::class,
    Contributions::class,
];
