<?php

declare(strict_types=1);

use Tests\App\AppTestCase;

pest()->extend(AppTestCase::class)->in('App');
