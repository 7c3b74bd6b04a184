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

/** Loggers' rows, and the devices that joined from the local network. */
class TracesAndTablets1767312000000 implements MigrationInterface {
  readonly name = 'TracesAndTablets1767312000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE `trace_chunk` (`kitchenId` char(26) NOT NULL, `traceId` char(26) NOT NULL, ' +
        '`chunk` int UNSIGNED NOT NULL, `rows` int UNSIGNED NOT NULL, `fromAt` datetime(3) NOT NULL, ' +
        '`toAt` datetime(3) NOT NULL, `data` mediumtext NOT NULL, ' +
        'PRIMARY KEY (`kitchenId`, `traceId`, `chunk`)) ENGINE=InnoDB',
    );
    await runner.query(
      'ALTER TABLE `trace_chunk` ADD CONSTRAINT `trace_chunk_kitchen` FOREIGN KEY (`kitchenId`) ' +
        'REFERENCES `kitchen`(`id`) ON DELETE NO ACTION ON UPDATE NO ACTION',
    );
    await runner.query(
      'CREATE TABLE `kitchen_code` (`kitchenId` char(26) NOT NULL, `salt` char(32) NOT NULL, ' +
        '`hash` char(64) NOT NULL, `createdAt` datetime(3) NOT NULL, PRIMARY KEY (`kitchenId`)) ENGINE=InnoDB',
    );
    await runner.query(
      'CREATE TABLE `tablet` (`kitchenId` char(26) NOT NULL, `id` char(26) NOT NULL, `tokenHash` char(64) NOT NULL, ' +
        '`name` varchar(80) NOT NULL, `joinedAt` datetime(3) NOT NULL, `lastSeenAt` datetime(3) NOT NULL, ' +
        '`revokedAt` datetime(3) NULL, UNIQUE INDEX `tablet_by_token` (`tokenHash`), ' +
        'PRIMARY KEY (`kitchenId`, `id`)) ENGINE=InnoDB',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE `tablet`');
    await runner.query('DROP TABLE `kitchen_code`');
    await runner.query('DROP TABLE `trace_chunk`');
  }
}

/** What is asked of a stream is asked by the type of its entries; what a register has not seen, by type from a `seq` on. */
class StreamTypes1795600000000 implements MigrationInterface {
  readonly name = 'StreamTypes1795600000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query('CREATE INDEX `event_of_stream` ON `event` (`kitchenId`, `streamId`, `type`, `at`)');
    await runner.query('DROP INDEX `event_by_type` ON `event`');
    await runner.query('CREATE INDEX `event_by_type` ON `event` (`kitchenId`, `type`, `seq`)');
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP INDEX `event_by_type` ON `event`');
    await runner.query('CREATE INDEX `event_by_type` ON `event` (`kitchenId`, `type`)');
    await runner.query('DROP INDEX `event_of_stream` ON `event`');
  }
}

/** Makers' own pictures. */
class Photos1795700000000 implements MigrationInterface {
  readonly name = 'Photos1795700000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE `photo` (`kitchenId` char(26) NOT NULL, `photoId` char(26) NOT NULL, `bytes` mediumblob NOT NULL, ' +
        'PRIMARY KEY (`kitchenId`, `photoId`)) ENGINE=InnoDB',
    );
    await runner.query(
      'ALTER TABLE `photo` ADD CONSTRAINT `photo_kitchen` FOREIGN KEY (`kitchenId`) ' +
        'REFERENCES `kitchen`(`id`) ON DELETE NO ACTION ON UPDATE NO ACTION',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE `photo`');
  }
}

/** Lines of the Daybook are worked out once, not at every start: ten years of makes are read within a second. */
class MakeLines1795700100000 implements MigrationInterface {
  readonly name = 'MakeLines1795700100000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE `make_line` (`kitchenId` char(26) NOT NULL, `makeId` char(26) NOT NULL, `lastSeq` int UNSIGNED NOT NULL, ' +
        '`build` char(64) NOT NULL, `line` text NOT NULL, PRIMARY KEY (`kitchenId`, `makeId`)) ENGINE=InnoDB',
    );
    await runner.query(
      'ALTER TABLE `make_line` ADD CONSTRAINT `make_line_kitchen` FOREIGN KEY (`kitchenId`) ' +
        'REFERENCES `kitchen`(`id`) ON DELETE NO ACTION ON UPDATE NO ACTION',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE `make_line`');
  }
}

/** What was worked out is kept by the fold that did it: lines, lessons and registers are there at once after a start. */
class Snapshots1795700200000 implements MigrationInterface {
  readonly name = 'Snapshots1795700200000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE `snapshot` (`kitchenId` char(26) NOT NULL, `kind` varchar(16) NOT NULL, `name` varchar(26) NOT NULL, ' +
        '`fold` int UNSIGNED NOT NULL, `build` char(64) NOT NULL, `lastSeq` int UNSIGNED NOT NULL, `asked` char(64) NOT NULL, ' +
        '`data` longblob NOT NULL, PRIMARY KEY (`kitchenId`, `kind`, `name`)) ENGINE=InnoDB',
    );
    await runner.query(
      'ALTER TABLE `snapshot` ADD CONSTRAINT `snapshot_kitchen` FOREIGN KEY (`kitchenId`) ' +
        'REFERENCES `kitchen`(`id`) ON DELETE NO ACTION ON UPDATE NO ACTION',
    );
    // Nothing in it that could not be worked out again.
    await runner.query('DROP TABLE `make_line`');
  }

  async down(runner: QueryRunner): Promise<void> {
    await new MakeLines1795700100000().up(runner);
    await runner.query('DROP TABLE `snapshot`');
  }
}

/** Phones ask for what is coming at an address with a secret in it. */
class CalendarAddress1796040000000 implements MigrationInterface {
  readonly name = 'CalendarAddress1796040000000';

  async up(runner: QueryRunner): Promise<void> {
    await runner.query(
      'CREATE TABLE `calendar_address` (`kitchenId` char(26) NOT NULL, `hash` char(64) NOT NULL, ' +
        '`createdAt` datetime(3) NOT NULL, PRIMARY KEY (`kitchenId`)) ENGINE=InnoDB',
    );
  }

  async down(runner: QueryRunner): Promise<void> {
    await runner.query('DROP TABLE `calendar_address`');
  }
}

export const MIGRATIONS = [
  Log1767225600000,
  TracesAndTablets1767312000000,
  StreamTypes1795600000000,
  Photos1795700000000,
  MakeLines1795700100000,
  Snapshots1795700200000,
  CalendarAddress1796040000000,
];
