// Requests to the server. A refusal is thrown as Refused with the server's
// problem document; what was typed is never touched here.
import type { Trouble } from './wire.gen';

export class Refused extends Error {
  constructor(readonly trouble: Trouble) {
    super(trouble.title);
  }
}

/** After so many ms a request that is not answered is given up. */
const PATIENCE_MS = 40_000;

const away = (title: string): Refused =>
  new Refused({
    type: 'about:blank',
    title,
    status: 0,
    remedy: 'What you did is kept here. Try again in a moment.',
  });

const token = (): string =>
  document.cookie
    .split('; ')
    .find((part) => part.startsWith('vineswap_token='))
    ?.slice('vineswap_token='.length) ?? '';

type Headers = Record<string, string>;

async function send(
  method: string,
  path: string,
  body?: unknown,
  more?: Headers,
  stays?: AbortSignal,
): Promise<Response> {
  const headers: Headers = { Accept: 'application/json', ...more };
  if (body !== undefined) headers['Content-Type'] = 'application/json';
  if (method !== 'GET') headers['X-Csrf-Token'] = decodeURIComponent(token());
  try {
    return await fetch(`/api${path}`, {
      method,
      headers,
      keepalive: method !== 'GET' && !stays, // what is kept is sent also when the page is left
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: stays ?? AbortSignal.timeout(PATIENCE_MS),
    });
  } catch {
    throw away('The server cannot be reached');
  }
}

/** Whether the answer is the server's own, and no page of a proxy before it. */
const ours = (response: Response): boolean =>
  /^application\/(problem\+)?json/.test(response.headers.get('Content-Type') ?? '');

async function answer<T>(response: Response): Promise<T> {
  if (!ours(response)) throw away('The server did not answer');
  try {
    return (await response.json()) as T;
  } catch {
    throw away('The answer of the server was cut off');
  }
}

/**
 * Sends a request and returns the answer. A token that has run out is renewed
 * once, so that a page left open over night goes on working.
 */
export async function api<T>(
  method: string,
  path: string,
  body?: unknown,
  more?: Headers,
): Promise<T> {
  const response = await tried(method, path, body, more);
  return response.status === 204 ? (undefined as T) : answer<T>(response);
}

async function tried(
  method: string,
  path: string,
  body?: unknown,
  more?: Headers,
  stays?: AbortSignal,
): Promise<Response> {
  let response = await send(method, path, body, more, stays);
  if (response.status === 403 && method !== 'GET') {
    const refused = await answer<Trouble>(response);
    if (refused.field !== 'token') throw new Refused(refused);
    await send('GET', '/me');
    response = await send(method, path, body, more, stays);
  }
  if (!response.ok) throw new Refused(await answer<Trouble>(response));
  return response;
}

/** Sends something long, which is given up when the signal says so. */
export async function long(path: string, body: unknown, signal: AbortSignal): Promise<void> {
  await tried('POST', path, body, undefined, signal);
}

/**
 * Sends a request whose answer tells on the way how far it is, a line of JSON after another,
 * and returns the last of them. Where the signal gives it up, nothing is returned.
 */
export async function told<T extends { trouble?: Trouble | null }>(
  path: string,
  body: unknown,
  signal: AbortSignal,
  heard: (line: T) => void,
): Promise<T | undefined> {
  let last: T | undefined;
  try {
    const response = await tried('POST', path, body, undefined, signal);
    const type = response.headers.get('Content-Type') ?? '';
    if (!type.startsWith('application/x-ndjson') || !response.body) {
      throw away('The server did not answer');
    }
    const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
    let text = '';
    for (;;) {
      const { value, done } = await reader.read();
      text += value ?? '';
      const lines = text.split('\n');
      text = lines.pop() ?? '';
      for (const line of lines) {
        last = JSON.parse(line) as T;
        heard(last);
      }
      if (done) break;
    }
  } catch (error) {
    if (signal.aborted) return undefined;
    throw error instanceof Refused ? error : away('The answer of the server was cut off');
  }
  if (last?.trouble) throw new Refused(last.trouble);
  return last;
}
