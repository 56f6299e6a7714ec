import net from 'node:net';
import { freePort, requirePort } from './ports';

test.each(['', 'none', '0', '65536', '-1', '3000x', '1e3', ' 80'])('PORT=%s is no port', async (text) => {
  await expect(requirePort(text)).rejects.toMatchObject({
    code: 'bad_usage',
    message: expect.stringContaining('PORT must be a number from 1 to 65535'),
  });
});

test('a taken port is named, with the way out', async () => {
  const server = net.createServer().listen(0, '127.0.0.1');
  await new Promise((resolve) => server.once('listening', resolve));
  const { port } = server.address() as net.AddressInfo;
  await expect(requirePort(String(port))).rejects.toMatchObject({
    message: `Port ${port} is taken.`,
    hint: expect.stringContaining(`PORT=${port + 1}`),
  });
  await new Promise((resolve) => server.close(resolve));
  expect(await requirePort(String(port))).toBe(port);
});

test('a free port is one that somebody can listen on', async () => {
  const port = await freePort();
  expect(await requirePort(String(port))).toBe(port);
});
