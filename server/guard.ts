import type { RequestHandler } from 'express';

/** Names by which a browser on this machine may call this server. */
const OWN_HOSTS = ['127.0.0.1', 'localhost', '[::1]'];

/**
 * Lets only this machine's own pages and programs in. A name that a foreign page made to point here (rebinding) arrives
 * as its Host; a page of another origin names itself as Origin. Programs that are no browser send no Origin.
 */
export function ownAddressOnly(): RequestHandler {
  return (req, res, next) => {
    const host = req.headers.host ?? '';
    const { origin } = req.headers;
    const port = req.socket.localPort;
    if (!isOwn(host, port)) {
      res
        .status(421)
        .type('text/plain')
        .send('This server answers only to its own address on this machine, as it was printed at the start.');
      return;
    }
    if (origin !== undefined && !isOwnOrigin(origin, port)) {
      res.status(403).type('text/plain').send('Pages of other addresses may not use this server.');
      return;
    }
    // What a browser sends for another site's page even where it sends no Origin.
    const site = req.headers['sec-fetch-site'];
    const isNavigation = req.headers['sec-fetch-mode'] === 'navigate' && req.method === 'GET';
    if ((site === 'cross-site' || site === 'same-site') && !isNavigation) {
      res.status(403).type('text/plain').send('Pages of other addresses may not use this server.');
      return;
    }
    next();
  };
}

function isOwn(host: string, port: number | undefined): boolean {
  const at = /^(.+?)(?::(\d{1,5}))?$/.exec(host.toLowerCase());
  const [, name = '', given] = at ?? [];
  // Without a port it is the one that the scheme stands for.
  return OWN_HOSTS.includes(name) && Number(given ?? '80') === port;
}

function isOwnOrigin(origin: string, port: number | undefined): boolean {
  return origin.startsWith('http://') && isOwn(origin.slice('http://'.length), port);
}
