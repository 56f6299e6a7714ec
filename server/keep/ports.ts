import net from 'node:net';
import { refusal } from './say';

/** Whether somebody could listen on a port of loopback. */
function tryPort(port: number): Promise<number | null> {
  return new Promise((resolve) => {
    const server = net.createServer();
    server.on('error', () => resolve(null));
    server.listen(port, '127.0.0.1', () => {
      const { port: given } = server.address() as net.AddressInfo;
      server.close(() => resolve(given));
    });
  });
}

/** A port of loopback that is free now. */
export async function freePort(): Promise<number> {
  const port = await tryPort(0);
  if (port === null) throw refusal('No port of this machine is free.');
  return port;
}

/** The port that was asked for. @throws CoreError when it is no port, or taken */
export async function requirePort(text: string): Promise<number> {
  const port = Number(text);
  if (!/^\d{1,5}$/.test(text) || port < 1 || port > 65535) {
    throw refusal(`PORT must be a number from 1 to 65535, not “${text.slice(0, 40)}”.`, 'For example: PORT=3005 ./den start');
  }
  if ((await tryPort(port)) === null) {
    throw refusal(`Port ${port} is taken.`, `Choose another: PORT=${Math.min(65535, port + 1)} ./den start`);
  }
  return port;
}
