Follow this link to set another password. It is good for an hour, once:

{{ $link }}

All devices that are signed in will have to give it. If this was not you, leave it: the password so far stays.
