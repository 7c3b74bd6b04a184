import type { MigrationInterface, QueryRunner } from 'typeorm';

/** The log and the kitchen it belongs to. */
class Log1767225600000 implements MigrationInterface {
  readonly name = 'Log1767225600000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE `kitchen` (`id` char(26) NOT NULL, `name` varchar(80) NOT NULL, `zone` varchar(64) NOT NULL, ' +
        '`demo` tinyint NOT NULL, `lastSeq` int UNSIGNED NOT NULL, ' +
        '`createdAt` datetime(3) NOT NULL DEFAULT CURRENT_TIMESTAMP(3), PRIMARY KEY (`id`)) ENGINE=InnoDB',
    );
    await runner.query(
      'CREATE TABLE `event` (`kitchenId` char(26) NOT NULL, `id` char(26) NOT NULL, `seq` int UNSIGNED NOT NULL, ' +
        '`streamId` char(26) NOT NULL, `at` datetime(3) NOT NULL, `receivedAt` datetime(3) NOT NULL, ' +
        '`cookId` char(26) NULL, `deviceId` varchar(64) NOT NULL, `version` smallint UNSIGNED NOT NULL, ' +
        '`type` varchar(40) NOT NULL, `data` json NOT NULL, `bodyHash` char(64) NOT NULL, ' +
        'UNIQUE INDEX `event_by_seq` (`kitchenId`, `seq`), INDEX `event_by_stream` (`kitchenId`, `streamId`, `seq`), ' +
        'INDEX `event_by_type` (`kitchenId`, `type`), PRIMARY KEY (`kitchenId`, `id`)) ENGINE=InnoDB',
    );
    await runner.query(
      'ALTER TABLE `event` ADD CONSTRAINT `event_kitchen` FOREIGN KEY (`kitchenId`) REFERENCES `kitchen`(`id`) ' +
        'ON DELETE NO ACTION ON UPDATE NO ACTION',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE `event`');
    await runner.query('DROP TABLE `kitchen`');
  }
}

export const MIGRATIONS = [Log1767225600000];
