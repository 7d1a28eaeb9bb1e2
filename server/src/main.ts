import { fileURLToPath } from 'node:url';
import { app } from './app.ts';

const dist = fileURLToPath(new URL('../../web/dist', import.meta.url));
const port = Number(process.env['PORT'] ?? 4173);
const host = process.env['HOST'] ?? '127.0.0.1';

const listening = app(dist).listen(port, host, () => {
  console.log(`Pendrix is at http://localhost:${port}/  (open the demo workshop there; Ctrl+C stops)`);
});
listening.on('error', (fault: NodeJS.ErrnoException) => {
  const taken = fault.code === 'EADDRINUSE';
  console.error(taken ? `Port ${port} is taken; choose another with PORT=4174 npm start` : fault.message);
  process.exitCode = 1;
});
