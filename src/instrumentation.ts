/** Called once by Next.js when a server starts. */
export async function register(): Promise<void> {
  if (process.env.NEXT_RUNTIME !== 'nodejs') return
  const { startImportWorker } = await import('@/server/jobs/importWorker')
  startImportWorker()
}
