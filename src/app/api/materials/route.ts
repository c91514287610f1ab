export { getMaterialsCsv as GET } from '@/server/materialsCsv';
