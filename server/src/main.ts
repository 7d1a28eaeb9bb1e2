import type { AddressInfo } from 'node:net';
import { fileURLToPath } from 'node:url';
import { app, portOf } from './app.ts';
import { serveController } from './controller.ts';

const dist = fileURLToPath(new URL('../../web/dist', import.meta.url));
const port = portOf(process.env['PORT']);
const host = process.env['HOST'] ?? '127.0.0.1';

if (port === null) {
  console.error(
    `PORT is ${process.env['PORT']}, which is no port; choose one from 0 to 65535, for example PORT=4174 npm start`,
  );
  process.exitCode = 1;
} else {
  const listening = app(dist).listen(port, host, () => {
    const { port: at } = listening.address() as AddressInfo;
    console.log(`Pendrix is at http://localhost:${at}/  (the demo workshop is in place there; Ctrl+C stops)`);
    console.log(
      host === '127.0.0.1' || host === 'localhost'
        ? 'Only this machine can reach it; HOST=0.0.0.0 npm start would open it to the network.'
        : `HOST is ${host}: other machines can reach it, and its stand-in controller.`,
    );
  });
  serveController(listening);
  listening.on('error', (fault: NodeJS.ErrnoException) => {
    const words: Readonly<Record<string, string>> = {
      EADDRINUSE: `Port ${port} is in use; choose another with PORT=4174 npm start`,
      EACCES: `Port ${port} is not allowed here; choose one above 1023, for example PORT=4174 npm start`,
    };
    console.error(words[fault.code ?? ''] ?? fault.message);
    process.exitCode = 1;
  });
}
