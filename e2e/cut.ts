/** A wire between the browser and the server that can be cut, let what goes through and nothing back, or let it trickle. */
import net from 'node:net';

export type Wire = 'whole' | 'cut' | 'deaf' | 'slow';

/** Between two pieces of what goes through a slow wire. */
const SLOW_PAUSE_MS = 150;

export interface Cut {
  /** Where the browser finds the server. */
  address: string;
  set: (wire: Wire) => void;
  close: () => Promise<void>;
}

export async function wireTo(port: number): Promise<Cut> {
  let wire: Wire = 'whole';
  const open = new Set<net.Socket>();
  const server = net.createServer((near) => {
    if (wire === 'cut') {
      near.destroy();
      return;
    }
    const far = net.connect(port, '127.0.0.1');
    for (const socket of [near, far]) {
      open.add(socket);
      socket.on('close', () => open.delete(socket));
      socket.on('error', () => {
        near.destroy();
        far.destroy();
      });
    }
    near.on('data', (bytes) => {
      far.write(bytes);
      if (wire !== 'slow') return;
      near.pause();
      setTimeout(() => near.resume(), SLOW_PAUSE_MS);
    });
    near.on('end', () => far.end());
    far.on('data', (bytes) => {
      // The server has done what was asked; nobody hears of it.
      if (wire === 'deaf') near.destroy();
      else near.write(bytes);
    });
    far.on('end', () => near.end());
    near.on('close', () => far.destroy());
  });
  await new Promise<void>((resolve) => server.listen(0, '127.0.0.1', resolve));
  const { port: own } = server.address() as net.AddressInfo;
  return {
    address: `http://localhost:${own}`,
    set: (next) => {
      wire = next;
      if (next === 'cut') for (const socket of open) socket.destroy();
    },
    close: () =>
      new Promise((resolve) => {
        for (const socket of open) socket.destroy();
        server.close(() => resolve());
      }),
  };
}
