import type { NextConfig } from 'next'

const config: NextConfig = {
  reactStrictMode: true,
  poweredByHeader: false,
  serverExternalPackages: ['pg', 'pino'],
  devIndicators: false,
  allowedDevOrigins: ['127.0.0.1', 'localhost'],
}

export default config
