import { newPieceFrom } from '@/server/pieceRoute';

export const POST = (request: Request) => newPieceFrom(request);
