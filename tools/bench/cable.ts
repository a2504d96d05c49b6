import { connect, createServer, type Server, type Socket } from 'node:net'
import { once } from 'node:events'
import type { AddressInfo } from 'node:net'

/** Which way nothing comes through. */
export type Cut = 'asked' | 'answered' | 'both'

/** A cable to a server on loopback that can be cut in either direction: what is sent that way is lost, and neither side hears of it. */
export class Cable {
  private cut: Cut | null = null
  private readonly broken = new Set<Socket>()

  private constructor(
    private readonly server: Server,
    readonly url: string,
  ) {}

  static async to(port: number): Promise<Cable> {
    const server = createServer()
    server.listen(0, '127.0.0.1')
    await once(server, 'listening')
    const cable = new Cable(server, `http://127.0.0.1:${(server.address() as AddressInfo).port}`)
    server.on('connection', (here) => {
      const there = connect(port, '127.0.0.1')
      cable.join(here, there, 'asked')
      cable.join(there, here, 'answered')
    })
    return cable
  }

  private join(from: Socket, to: Socket, way: Cut): void {
    from.on('data', (chunk) => {
      if (this.cut === way || this.cut === 'both') this.broken.add(from)
      else to.write(chunk)
    })
    from.on('error', () => to.destroy())
    from.on('close', () => {
      this.broken.delete(from)
      to.destroy()
    })
  }

  cutOff(cut: Cut): void {
    this.cut = cut
  }

  /** What lost something on its way is of no more use to either side. */
  mend(): void {
    this.cut = null
    for (const socket of this.broken) socket.destroy()
  }

  close(): void {
    this.mend()
    this.server.close()
  }
}
