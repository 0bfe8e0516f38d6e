<?php

declare(strict_types=1);

use App\Support\ApplicationServiceProvider;

return [
    ApplicationServiceProvider::class,
];
