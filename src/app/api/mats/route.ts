export { getMat as GET, postMat as POST } from '@/server/matRoute';
