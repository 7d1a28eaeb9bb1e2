import path from 'node:path';
import compression from 'compression';
import express, { type ErrorRequestHandler, type Express } from 'express';
import expressStaticGzip from 'express-static-gzip';
import { isOurs } from './host.ts';

/** What the browser may load: only what Pendrix ships. Styles are set from script by the component library and the charts. */
const POLICY = [
  "default-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  // a maker's own controller may be anywhere on the bench's network
  "connect-src 'self' ws: wss:",
  "worker-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'self'",
  "frame-ancestors 'none'",
].join('; ');

/** The server of the built application in `dist`. Nothing is stored here. */
export function app(dist: string): Express {
  const server = express();
  server.disable('x-powered-by');
  server.use(compression());
  server.use((request, response, next) => {
    response.set({
      'Content-Security-Policy': POLICY,
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
    });
    if (!isOurs(request.headers.host)) {
      response.status(421).type('text/plain').send('This server does not go by that name.\n');
      return;
    }
    // said in our words, not in those of whatever serves it
    decodeURIComponent(request.path);
    next();
  });
  // Names with a hash never change; the page and the service worker are asked for anew each time.
  // They lie there compressed by the build, too: nothing is compressed twice.
  server.use(
    '/assets',
    expressStaticGzip(path.join(dist, 'assets'), {
      serveStatic: { immutable: true, maxAge: '1y', fallthrough: false },
    }),
  );
  server.use(
    express.static(dist, { setHeaders: (response) => void response.set('Cache-Control', 'no-cache') }),
  );
  server.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(path.join(dist, 'index.html'));
  });
  server.use(plainly);
  return server;
}

/** What went wrong with a request, without telling where on this machine. */
const plainly: ErrorRequestHandler = (
  fault: Error & { status?: number; statusCode?: number },
  _request,
  response,
  next,
) => {
  if (response.headersSent) return next(fault);
  const status = fault.status ?? fault.statusCode ?? (fault instanceof URIError ? 400 : 500);
  const words =
    status === 404
      ? 'There is nothing at this address.'
      : status < 500
        ? 'This address cannot be read.'
        : 'The server failed to answer. Reload the page.';
  response.status(status).set('Cache-Control', 'no-store').type('text/plain').send(`${words}\n`);
};

/** The port a number names; null when it names none. Nothing given is the usual one. */
export function portOf(text: string | undefined): number | null {
  if (text === undefined || text.trim() === '') return 4173;
  const port = Number(text);
  return /^\d+$/.test(text.trim()) && port <= 65_535 ? port : null;
}
