Somebody, you perhaps, wanted to open an account at Sternbild with this address.

There is one already. You can sign in with it, or set another password, here:

{{ $link }}

If this was not you, nothing has happened, and there is nothing to do.
