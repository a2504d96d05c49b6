import { auth } from '@/server/auth'

export const GET = (request: Request): Promise<Response> => auth().handler(request)
export const POST = (request: Request): Promise<Response> => auth().handler(request)
