import { readPiece, writePiece } from '@/server/pieceRoute';

type Context = { params: Promise<{ id: string }> };

export const GET = async (_request: Request, { params }: Context) => readPiece((await params).id);
export const PUT = async (request: Request, { params }: Context) => writePiece((await params).id, request);
