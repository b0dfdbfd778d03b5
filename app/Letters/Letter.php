<?php

namespace App\Letters;

use Illuminate\Mail\Mailable;
use Illuminate\Mail\Mailables\Content;
use Illuminate\Mail\Mailables\Envelope;

/** A letter in plain words. */
final class Letter extends Mailable
{
    /** @param  view-string  $words */
    public function __construct(private readonly string $about, private readonly string $words, private readonly string $link)
    {
    }

    public function envelope(): Envelope
    {
        return new Envelope(subject: $this->about);
    }

    public function content(): Content
    {
        return new Content(text: $this->words, with: ['link' => $this->link]);
    }
}
