import { csrfToken, Problem, type Schemas } from '../api/client';

/**
 * Brings a picture in.
 *
 * @param onShare told how much of it has been sent, from 0 to 1
 */
export function bringPicture(file: Blob, onShare: (share: number) => void): Promise<Schemas['Picture']> {
    return new Promise((resolve, reject) => {
        const body = new FormData();
        body.append('picture', file);
        // Nothing else tells how far it has come.
        const request = new XMLHttpRequest();
        request.open('POST', '/api/pictures');
        request.setRequestHeader('Accept', 'application/json');
        request.setRequestHeader('X-XSRF-TOKEN', csrfToken());
        request.responseType = 'json';
        request.upload.onprogress = (event) => event.lengthComputable && onShare(event.loaded / event.total);
        request.onload = () => {
            if (request.status === 201) resolve(request.response as Schemas['Picture']);
            else reject(new Error(said(request)));
        };
        request.onerror = () => reject(new Error('The picture did not arrive whole. Please try again.'));
        onShare(0);
        request.send(body);
    });
}

function said(request: XMLHttpRequest): string {
    if (request.status === 413) return 'A picture has at most 60 MB.';
    const problem = new Problem(request.status, (request.response ?? {}) as Problem['body']);
    return Object.values(problem.body.errors ?? {})[0]?.[0] ?? problem.message;
}
