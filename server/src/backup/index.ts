export { checkBackup, type BackupSummary } from './check-backup.ts';
export { BackupRefused } from './format.ts';
export { RESTORED_CHANNEL, restoreBackup } from './restore.ts';
export { writeBackup } from './write-backup.ts';
