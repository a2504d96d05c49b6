import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: [
    '@react-pdf/renderer',
    'pg',
    'pino',
    'piscina',
    'prom-client',
    'nodemailer',
    'rate-limiter-flexible',
  ],
  devIndicators: false,
  // An installation brought in as a file has up to 4 MB, and its text is escaped on the way.
  experimental: { serverActions: { bodySizeLimit: '9mb' } },
  // Types are checked by ./gale test; checking them again would double the time of a first start.
  typescript: { ignoreBuildErrors: true },
  // As the place is called; its address is older.
  redirects: () => Promise.resolve([{ source: '/calculations', destination: '/sums', permanent: false }]),
  allowedDevOrigins: ['127.0.0.1', 'localhost'],
}

export default config
