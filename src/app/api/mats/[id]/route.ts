export { getHappened as GET, postHappened as POST } from '@/server/matRoute';
