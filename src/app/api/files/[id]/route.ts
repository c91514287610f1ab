export { getFile as GET, postFile as POST } from '@/server/fileRoute';
