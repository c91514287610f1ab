export { getPiece as GET, putPiece as PUT } from '@/server/pieceRoute';
