import type { MetadataRoute } from 'next'

/** What a device needs to install the program. */
export default function manifest(): MetadataRoute.Manifest {
  return {
    name: 'Soft Gale',
    short_name: 'Soft Gale',
    description: 'Sets up standalone fan speed controllers',
    start_url: '/yard',
    display: 'standalone',
    background_color: '#F4F5F1',
    theme_color: '#15252B',
    icons: [
      { src: '/icons/192.png', sizes: '192x192', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png' },
      { src: '/icons/512.png', sizes: '512x512', type: 'image/png', purpose: 'maskable' },
    ],
  }
}
