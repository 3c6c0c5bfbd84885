/** Ports of this machine's loopback. */
import net from 'node:net';

export const LOOPBACK = '127.0.0.1';

/** Whether an address can only be reached from this machine. */
export function isLoopback(address: string): boolean {
  return address === 'localhost' || address === '::1' || /^127(\.\d{1,3}){3}$/.test(address);
}

export function isFree(port: number): Promise<boolean> {
  return new Promise((resolve) => {
    const server = net.createServer();
    server.once('error', () => resolve(false));
    server.listen(port, LOOPBACK, () => server.close(() => resolve(true)));
  });
}

export function freePort(): Promise<number> {
  return new Promise((resolve, reject) => {
    const server = net.createServer();
    server.once('error', reject);
    server.listen(0, LOOPBACK, () => {
      const { port } = server.address() as net.AddressInfo;
      server.close(() => resolve(port));
    });
  });
}
