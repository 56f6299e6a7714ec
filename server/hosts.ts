/** Names by which this machine calls itself. */
const LOOPBACK = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * Names under which Glow Den answers: loopback's, and those of DEN_HOSTS, with commas between them, for people who reach it
 * through a tunnel or a proxy of theirs.
 */
function allowedNames(): string[] {
  const more = (process.env.DEN_HOSTS ?? '').split(',').map((name) => name.trim().toLowerCase());
  return [...LOOPBACK, ...more.filter((name) => name !== '')];
}

/**
 * Whether a request is meant for us and comes from a page of ours. Pages of other sites that are open in the same browser
 * may send requests to loopback, and a foreign name may be made to resolve to it: neither is answered.
 */
export function isOwnRequest(headers: Headers): boolean {
  const host = (headers.get('host') ?? '').toLowerCase();
  if (!allowedNames().includes(host.replace(/:\d{1,5}$/, ''))) return false;
  const origin = headers.get('origin');
  if (origin !== null && origin !== `http://${host}` && origin !== `https://${host}`) return false;
  return true;
}

/** Whether a request that reads or changes data was made by a page of ours, and not by a link or a form elsewhere. */
export function isOwnPage(headers: Headers): boolean {
  const site = headers.get('sec-fetch-site');
  return isOwnRequest(headers) && (site === null || site === 'same-origin' || site === 'none');
}

export const FOREIGN = {
  message: 'This request did not come from a page of Glow Den.',
  hint: 'Open Glow Den by its own address, or name the host in DEN_HOSTS when you start it.',
};
