/** A mail server for what goes wrong at the end of a mail: it takes the content, and says so at once, never, or when let go. */
import net, { type AddressInfo } from 'node:net';

type Answer = 'taken' | 'nothing' | 'later';

export class MailServerOfFewWords {
  /** The mails whose whole content it has. */
  readonly taken: string[] = [];
  /** What it answers to a whole content: that it has it, nothing (it hangs up), or that it has it once it is let go. */
  says: Answer | ((content: string) => Answer) = 'taken';
  letGo: () => void = () => undefined;
  readonly #server = net.createServer((socket) => this.#talk(socket));

  /** Listens on a free port of this machine, which it answers. */
  async open(): Promise<number> {
    await new Promise<void>((resolve) => this.#server.listen(0, '127.0.0.1', resolve));
    return (this.#server.address() as AddressInfo).port;
  }

  async close(): Promise<void> {
    await new Promise<void>((resolve) => this.#server.close(() => resolve()));
  }

  #talk(socket: net.Socket): void {
    let inData = false;
    let content = '';
    socket.on('error', () => undefined);
    socket.write('220 here\r\n');
    socket.on('data', (chunk) => {
      for (const row of String(chunk)
        .split('\r\n')
        .filter((r) => r !== '')) {
        if (inData && row === '.') {
          inData = false;
          this.taken.push(content);
          this.letGo = () => socket.write('250 taken\r\n');
          const answer = typeof this.says === 'function' ? this.says(content) : this.says;
          if (answer === 'taken') this.letGo();
          else if (answer === 'nothing') socket.destroy();
        } else if (inData) content += `${row}\n`;
        else if (/^DATA/i.test(row)) {
          inData = true;
          content = '';
          socket.write('354 go on\r\n');
        } else socket.write(/^QUIT/i.test(row) ? '221 bye\r\n' : '250 yes\r\n');
      }
    });
  }
}
