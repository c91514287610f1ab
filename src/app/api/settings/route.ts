export { patchSettings as PATCH } from '@/server/settingsRoute';
