export { postPiece as POST } from '@/server/pieceRoute';
