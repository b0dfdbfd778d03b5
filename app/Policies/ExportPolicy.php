<?php

namespace App\Policies;

use App\Models\Export;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** A file is for the person who asked for it. To others it does not exist. */
final class ExportPolicy
{
    public function fetch(User $person, Export $export): Response
    {
        return $export->user_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
