import { Migration } from '@mikro-orm/migrations';

/** Photos and recordings are named in signed entries by the SHA-256 of what is kept of them. */
export class Hashes extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate');
    this.addSql('alter table photo add column hash text');
    this.addSql('alter table recording add column hash text');
    this.addSql(`update photo set hash = encode(sha256(large), 'hex')`);
    this.addSql(`update recording set hash = encode(sha256(wav), 'hex')`);
    this.addSql('set constraints all immediate');
    this.addSql('alter table photo alter column hash set not null');
    this.addSql('alter table recording alter column hash set not null');
    this.addSql('create index photo_hash on photo (hash)');
    this.addSql('set constraints all deferred');
  }
}
