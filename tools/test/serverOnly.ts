// Stands in for the package 'server-only', which refuses to load outside Next.js.
export {}
