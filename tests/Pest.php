<?php

declare(strict_types=1);

use Tests\App\AppTestCase;
use Tests\Committed\CommittedTestCase;

pest()->extend(AppTestCase::class)->in('App');
pest()->extend(CommittedTestCase::class)->in('Committed');
