import { yardLine } from '@/features/yard/yardLine'
import { readYardQuery } from '@/server/listQuery'
import { respondWith } from '@/server/respond'
import { utcToday } from '@/server/utcToday'
import { yardOfNow } from '@/server/yardOfNow'

/** The lines of one page of the yard, as the address asks for them; see `features/yard/YardRows`. */
export const GET = (request: Request): Promise<Response> =>
  respondWith('look', null, async (scope, { preference }) => {
    const ask = readYardQuery(Object.fromEntries(new URL(request.url).searchParams), utcToday())
    const { rows } = await yardOfNow(scope, ask)
    return Response.json({ lines: rows.map((row) => yardLine(row, preference)) })
  })
