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
): Promise<Response> {
  const headers: Headers = { Accept: 'application/json', ...more };
  if (body !== undefined) headers['Content-Type'] = 'application/json';
  if (method !== 'GET') headers['X-Csrf-Token'] = decodeURIComponent(token());
  try {
    return await fetch(`/api${path}`, {
      method,
      headers,
      keepalive: method !== 'GET', // what is kept is sent also when the page is left
      body: body === undefined ? undefined : JSON.stringify(body),
      signal: AbortSignal.timeout(PATIENCE_MS),
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
  let response = await send(method, path, body, more);
  if (response.status === 403 && method !== 'GET') {
    const refused = await answer<Trouble>(response);
    if (refused.field !== 'token') throw new Refused(refused);
    await send('GET', '/me');
    response = await send(method, path, body, more);
  }
  if (!response.ok) throw new Refused(await answer<Trouble>(response));
  return response.status === 204 ? (undefined as T) : answer<T>(response);
}
