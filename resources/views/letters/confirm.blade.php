Welcome to Sternbild.

Follow this link to open the account. It is good for a day, once:

{{ $link }}

If this was not you, leave it: without the link no account is opened.
