// Requests to the server. A refusal is thrown as Refused with the server's
// problem document; what was typed is never touched here.
import type { Trouble } from './wire.gen';

export class Refused extends Error {
  constructor(readonly trouble: Trouble) {
    super(trouble.title);
  }
}

/** True where the request never reached the server. */
export const offline = (error: unknown): boolean =>
  error instanceof Refused && error.trouble.status === 0;

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
    });
  } catch {
    throw new Refused({
      type: 'about:blank',
      title: 'The server cannot be reached',
      status: 0,
      remedy: 'What you did is kept here. Try again in a moment.',
    });
  }
}

async function trouble(response: Response): Promise<Trouble> {
  try {
    return (await response.json()) as Trouble;
  } catch {
    return { type: 'about:blank', title: 'The server did not answer', status: response.status };
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
    const refused = await trouble(response);
    if (refused.field !== 'token') throw new Refused(refused);
    await send('GET', '/me');
    response = await send(method, path, body, more);
  }
  if (!response.ok) throw new Refused(await trouble(response));
  return (response.status === 204 ? undefined : await response.json()) as T;
}
