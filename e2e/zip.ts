import { inflateRawSync } from 'node:zlib';

/** The files of an archive, by name. */
export function unzipped(zip: Buffer): Record<string, Buffer> {
    const entries: Record<string, Buffer> = {};
    const end = zip.lastIndexOf(Buffer.from('PK\x05\x06'));
    let at = zip.readUInt32LE(end + 16);
    for (let number = zip.readUInt16LE(end + 10); number > 0; number--) {
        const [method, packed, name, extra, comment, local] = [
            zip.readUInt16LE(at + 10),
            zip.readUInt32LE(at + 20),
            zip.readUInt16LE(at + 28),
            zip.readUInt16LE(at + 30),
            zip.readUInt16LE(at + 32),
            zip.readUInt32LE(at + 42),
        ];
        const begin = local + 30 + zip.readUInt16LE(local + 26) + zip.readUInt16LE(local + 28);
        const data = zip.subarray(begin, begin + packed);
        entries[zip.subarray(at + 46, at + 46 + name).toString()] = method === 0 ? data : inflateRawSync(data);
        at += 46 + name + extra + comment;
    }
    return entries;
}
