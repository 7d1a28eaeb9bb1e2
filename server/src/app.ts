import path from 'node:path';
import express, { type Express } from 'express';

/** What the browser may load: only what Pendrix ships. Styles are set from script by the component library and the charts. */
const POLICY = [
  "default-src 'self'",
  "style-src 'self' 'unsafe-inline'",
  "img-src 'self' data: blob:",
  "font-src 'self' data:",
  "connect-src 'self'",
  "worker-src 'self' blob:",
  "object-src 'none'",
  "base-uri 'self'",
  "frame-ancestors 'none'",
].join('; ');

/** The server of the built application in `dist`. Nothing is stored here. */
export function app(dist: string): Express {
  const server = express();
  server.disable('x-powered-by');
  server.use((_request, response, next) => {
    response.set({
      'Content-Security-Policy': POLICY,
      'X-Content-Type-Options': 'nosniff',
      'Referrer-Policy': 'no-referrer',
    });
    next();
  });
  // Names with a hash never change; the page and the service worker are asked for anew each time.
  server.use(
    '/assets',
    express.static(path.join(dist, 'assets'), { immutable: true, maxAge: '1y', fallthrough: false }),
  );
  server.use(
    express.static(dist, { setHeaders: (response) => void response.set('Cache-Control', 'no-cache') }),
  );
  server.get('/{*path}', (_request, response) => {
    response.set('Cache-Control', 'no-cache').sendFile(path.join(dist, 'index.html'));
  });
  return server;
}
