import { spawn, type ChildProcess } from 'node:child_process'
import { chmodSync, chownSync, existsSync, mkdirSync, openSync, writeFileSync } from 'node:fs'
import { databaseOwner, type Owner } from '../cluster'
import { needPackage, needPostgres } from '../debian'

/** Everything on loopback; every port is free when the trial begins. */
export type Ports = {
  readonly etcd: number
  readonly etcdPeer: number
  readonly databases: readonly [number, number]
  /** Where each Patroni says whether its database is the primary. */
  readonly states: readonly [number, number]
  /** Wherever the primary is. */
  readonly primary: number
  readonly pooler: number
  readonly webs: readonly [number, number]
  readonly front: number
}

export const KEEPER = 'keeper'

const at = (port: number): string => `127.0.0.1:${port}`

/** Starts Debian's own programs with configurations of ours, each with a log of its own in the folder. */
export class Services {
  private readonly running: ChildProcess[] = []
  private readonly as: Owner

  private constructor(
    private readonly folder: string,
    private readonly ports: Ports,
    private readonly password: string,
    private readonly postgresPrograms: string,
  ) {
    this.as = databaseOwner()
    chmodSync(folder, 0o755)
  }

  static async in(folder: string, ports: Ports, password: string): Promise<Services> {
    const postgresPrograms = await needPostgres()
    for (const [name, program] of [
      ['etcd-server', '/usr/bin/etcd'],
      ['patroni', '/usr/bin/patroni'],
      ['pgbouncer', '/usr/sbin/pgbouncer'],
      ['haproxy', '/usr/sbin/haproxy'],
    ] as const)
      await needPackage(name, () => existsSync(program))
    return new Services(folder, ports, password, postgresPrograms)
  }

  /** A folder of the user that PostgreSQL runs as. */
  private own(name: string): string {
    const path = `${this.folder}/${name}`
    mkdirSync(path, { recursive: true, mode: 0o700 })
    this.give(path)
    return path
  }

  private give(path: string): void {
    if (this.as.uid !== undefined && this.as.gid !== undefined) chownSync(path, this.as.uid, this.as.gid)
  }

  private write(name: string, text: string): string {
    const path = `${this.folder}/${name}`
    writeFileSync(path, text, { mode: 0o600 })
    this.give(path)
    return path
  }

  private run(name: string, program: string, args: readonly string[]): ChildProcess {
    const log = openSync(`${this.folder}/${name}.log`, 'a')
    const child = spawn(program, args, { ...this.as, cwd: '/', detached: true, stdio: ['ignore', log, log] })
    this.running.push(child)
    return child
  }

  etcd(): ChildProcess {
    const client = `http://${at(this.ports.etcd)}`
    const peer = `http://${at(this.ports.etcdPeer)}`
    return this.run('etcd', '/usr/bin/etcd', [
      `--data-dir=${this.own('etcd')}`,
      `--listen-client-urls=${client}`,
      `--advertise-client-urls=${client}`,
      `--listen-peer-urls=${peer}`,
      `--initial-advertise-peer-urls=${peer}`,
      `--initial-cluster=default=${peer}`,
    ])
  }

  /** A PostgreSQL that Patroni keeps; what one acknowledges the other has on its disk. */
  database(which: 0 | 1): ChildProcess {
    const name = `database-${which + 1}`
    const address = at(this.ports.databases[which])
    const state = at(this.ports.states[which])
    // Every JSON text is a YAML text.
    const configuration = this.write(
      `${name}.yml`,
      JSON.stringify({
        scope: 'gale',
        name,
        restapi: { listen: state, connect_address: state },
        etcd3: { hosts: at(this.ports.etcd) },
        bootstrap: {
          dcs: {
            ttl: 20,
            loop_wait: 2,
            retry_timeout: 5,
            synchronous_mode: true,
            postgresql: { use_pg_rewind: true, parameters: { max_connections: 100, synchronous_commit: 'on' } },
          },
          initdb: [{ encoding: 'UTF8' }, { locale: 'C.UTF-8' }, { auth: 'scram-sha-256' }, 'data-checksums'],
        },
        postgresql: {
          listen: address,
          connect_address: address,
          data_dir: `${this.own(name)}/data`,
          bin_dir: this.postgresPrograms,
          pgpass: `${this.folder}/${name}/pgpass`,
          authentication: {
            superuser: { username: KEEPER, password: this.password },
            replication: { username: 'copier', password: this.password },
            rewind: { username: 'rewinder', password: this.password },
          },
          parameters: { unix_socket_directories: `${this.folder}/${name}` },
          pg_hba: ['host all all 127.0.0.1/32 scram-sha-256', 'host replication copier 127.0.0.1/32 scram-sha-256'],
        },
      }),
    )
    return this.run(name, '/usr/bin/patroni', [configuration])
  }

  pooler(): ChildProcess {
    const people = this.write('pooler.users', `"gale" "${this.password}"\n`)
    const configuration = this.write(
      'pooler.ini',
      `[databases]
gale = host=127.0.0.1 port=${this.ports.primary} dbname=gale

[pgbouncer]
listen_addr = 127.0.0.1
listen_port = ${this.ports.pooler}
unix_socket_dir =
auth_type = scram-sha-256
auth_file = ${people}
pool_mode = transaction
default_pool_size = 20
max_client_conn = 200
server_login_retry = 1
server_connect_timeout = 3
`,
    )
    return this.run('pooler', '/usr/sbin/pgbouncer', [configuration])
  }

  /** Two balances: to the primary, as Patroni says which it is, and to the web processes that say they are ready. */
  balancer(): ChildProcess {
    const { databases, states, webs, primary, front } = this.ports
    const configuration = this.write(
      'balancer.cfg',
      `global
  maxconn 1000

defaults
  timeout connect 2s
  timeout client 1h
  timeout server 1h
  timeout check 2s

listen primary
  bind ${at(primary)}
  mode tcp
  option httpchk OPTIONS /primary
  http-check expect status 200
  default-server inter 1s fall 2 rise 1 on-marked-down shutdown-sessions
${databases.map((port, index) => `  server database-${index + 1} ${at(port)} check port ${states[index]}`).join('\n')}

listen front
  bind ${at(front)}
  mode http
  balance roundrobin
  option forwardfor
  option redispatch
  retries 3
  option httpchk
  http-check send meth GET uri /api/ready hdr Host 127.0.0.1
  default-server inter 1s fall 2 rise 1
${webs.map((port, index) => `  server web-${index + 1} ${at(port)} check`).join('\n')}
`,
    )
    return this.run('balancer', '/usr/sbin/haproxy', ['-db', '-f', configuration])
  }

  /** Ends what still runs, the last begun first. */
  end(): void {
    for (const child of this.running.reverse())
      if (child.exitCode === null && child.signalCode === null) child.kill('SIGTERM')
  }
}
