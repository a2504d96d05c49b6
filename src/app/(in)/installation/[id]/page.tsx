import { redirect } from 'next/navigation'
import { stagePath } from '@/ui/stages'

export default async function InstallationHome({ params }: { params: Promise<{ id: string }> }) {
  redirect(stagePath((await params).id, 'respond'))
}
