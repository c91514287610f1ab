import { materialsCsv } from '@/server/materialsCsv';

export const GET = () => materialsCsv();
