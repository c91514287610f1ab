export { getPhoto as GET, putPhoto as PUT } from '@/server/photoRoute';
