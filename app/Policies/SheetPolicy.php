<?php

namespace App\Policies;

use App\Models\Sheet;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** Who may do what with sheets. Whoever is not the owner learns nothing, not even that the sheet exists. */
final class SheetPolicy
{
    /** Looking at it, changing it, deleting it: a sheet is one person's. */
    public function work(User $person, Sheet $sheet): Response
    {
        return $sheet->user_id === $person->id ? Response::allow() : Response::denyAsNotFound();
    }
}
