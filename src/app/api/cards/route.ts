export { postCards as POST } from '@/server/cardsRoute';
