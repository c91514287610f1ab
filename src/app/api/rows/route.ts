export { getRow as GET } from '@/server/rowRoute';
