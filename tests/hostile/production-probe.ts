/** Serves as every command does, asks for a page, and prints which files of packages were loaded for it. */
import { createRequire, register } from 'node:module';
import { MessageChannel } from 'node:worker_threads';

const { port1, port2 } = new MessageChannel();
const loaded: string[] = [];
port1.on('message', (url: string) => loaded.push(url));
port1.unref();
const hook = `let port; export function initialize(data) { port = data.port; }
export async function load(url, context, next) { port.postMessage(url); return next(url, context); }`;
register(`data:text/javascript,${encodeURIComponent(hook)}`, { data: { port: port2 }, transferList: [port2] });

process.env.PUBLIC_URL = 'http://127.0.0.1:4310';
process.env.LOG_LEVEL = 'silent';
const { freePort } = await import('../../bin/parts/cluster.ts');
const { listen } = await import('../../server/http/listen.ts');
const port = await freePort();
const server = await listen({ port, host: '127.0.0.1' });
const response = await fetch(`http://127.0.0.1:${port}/sign-in`, { headers: { accept: 'text/html' } });
if (response.status !== 200) throw new Error(`the page says ${response.status}`);
await response.text();
await server.close();
await new Promise((done) => setTimeout(done, 50));
// Node reads the files that a module might hand on, for their names; only those that ran are loaded.
const required = Object.values(createRequire(import.meta.url).cache).flatMap((m) => (m?.loaded ? [m.filename] : []));
process.stdout.write(JSON.stringify([...loaded, ...required].filter((path) => path.includes('node_modules'))));
