import { existsSync, mkdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { isIP } from 'node:net'
import { dirname } from 'node:path'
import { authorityFile } from '@/server/settings'
import { needPackage } from './debian'
import { output } from './run'

/** Makes a small authority of this server’s own, once, and a certificate of it for a name, renewed before it runs out; returns the files.
 *  The authority’s key stays on this machine; phones install its certificate, see `docs/operate.md`. */
export async function madeCertificate(folder: string, name: string): Promise<{ cert: string; key: string }> {
  await needPackage('openssl', () => existsSync('/usr/bin/openssl'))
  const authority = authorityFile(folder)
  const here = dirname(authority)
  mkdirSync(here, { recursive: true, mode: 0o700 })
  const [authorityKey, cert, key] = [`${here}/authority.key`, `${here}/server.crt`, `${here}/server.key`]
  const openssl = (...args: string[]) => output('openssl', args)
  const newKey = ['-newkey', 'ec', '-pkeyopt', 'ec_paramgen_curve:prime256v1', '-nodes']
  if (!existsSync(authority))
    openssl('req', '-x509', ...newKey, '-keyout', authorityKey, '-out', authority, '-days', '3650',
      '-subj', '/CN=Soft Gale authority of this server', '-addext', 'basicConstraints=critical,CA:TRUE,pathlen:0',
      '-addext', 'keyUsage=critical,keyCertSign,cRLSign') // prettier-ignore
  const nameFile = `${here}/name`
  const isGood = existsSync(cert) && existsSync(nameFile) && readFileSync(nameFile, 'utf8') === name && !runsOut(cert)
  if (!isGood) {
    const request = `${here}/server.csr`
    const extensions = `${here}/server.ext`
    const alternative = `${isIP(name) ? 'IP' : 'DNS'}:${name}`
    writeFileSync(
      extensions,
      `subjectAltName=${alternative}\nbasicConstraints=critical,CA:FALSE\nextendedKeyUsage=serverAuth\n`,
    )
    openssl('req', ...newKey, '-keyout', key, '-out', request, '-subj', `/CN=${name}`)
    openssl('x509', '-req', '-in', request, '-CA', authority, '-CAkey', authorityKey, '-CAcreateserial', '-out', cert,
      '-days', '397', '-extfile', extensions) // prettier-ignore
    for (const file of [request, extensions]) rmSync(file)
    writeFileSync(nameFile, name)
  }
  return { cert, key }
}

const MONTH_S = 30 * 86_400

/** Whether a certificate runs out within a month. */
function runsOut(cert: string): boolean {
  try {
    output('openssl', ['x509', '-checkend', String(MONTH_S), '-noout', '-in', cert])
    return false
  } catch {
    return true
  }
}
