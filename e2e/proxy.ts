import { execFileSync, spawn } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { request, expect } from '@playwright/test';

async function freePort(): Promise<number> {
    return new Promise((resolve) => {
        const server = createServer().listen(0, '127.0.0.1', () => {
            const address = server.address();
            server.close(() => resolve(typeof address === 'object' && address !== null ? address.port : 0));
        });
    });
}

/**
 * A proxy that speaks TLS, with a certificate of its own, before the servers of the journeys. It says that requests come from whom `X-Asks`
 * names.
 */
export async function tlsProxy(served: string): Promise<{ url: string; stop: () => void }> {
    const home = mkdtempSync(join(tmpdir(), 'proxy-'));
    const port = await freePort();
    execFileSync(
        'openssl',
        [
            'req',
            '-x509',
            '-newkey',
            'rsa:2048',
            '-nodes',
            '-days',
            '2',
            '-subj',
            '/CN=localhost',
            '-keyout',
            join(home, 'key.pem'),
            '-out',
            join(home, 'cert.pem'),
        ],
        { stdio: 'ignore' },
    );
    writeFileSync(
        join(home, 'nginx.conf'),
        `daemon off; pid ${home}/pid; error_log ${home}/log error; events {}
        http { access_log off; client_body_temp_path ${home}/body; proxy_temp_path ${home}/proxy; fastcgi_temp_path ${home}/f; uwsgi_temp_path ${home}/u; scgi_temp_path ${home}/s;
            server { listen 127.0.0.1:${port} ssl; ssl_certificate ${home}/cert.pem; ssl_certificate_key ${home}/key.pem;
                location / { proxy_pass ${served}; proxy_set_header Host $http_host; proxy_set_header X-Forwarded-Proto https; proxy_set_header X-Forwarded-For $http_x_asks; } } }`,
    );
    const nginx = spawn('/usr/sbin/nginx', ['-c', join(home, 'nginx.conf'), '-e', join(home, 'log'), '-p', home], { stdio: 'ignore' });
    const url = `https://127.0.0.1:${port}`;
    const probe = await request.newContext({ ignoreHTTPSErrors: true });
    await expect(async () => expect((await probe.get(`${url}/up`)).ok()).toBe(true)).toPass();
    await probe.dispose();
    return {
        url,
        stop: () => {
            nginx.kill();
            rmSync(home, { recursive: true, force: true });
        },
    };
}
