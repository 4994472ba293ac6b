import { closeSync, fdatasyncSync, fsyncSync, openSync, readdirSync, renameSync } from 'node:fs';
import { dirname, join } from 'node:path';

/** What this module needs to know of the engine's own file system (Emscripten's, as PGlite carries it). */
export interface EngineNode {
  name: string;
}
export interface EngineStream {
  node: EngineNode;
  /** Node's own descriptor */
  nfd: number;
}
export interface EngineFiles {
  realPath: (node: EngineNode) => string;
  stream_ops: {
    write: (
      stream: EngineStream,
      bytes: Int8Array,
      offset: number,
      length: number,
      position: number,
    ) => number;
    setattr: (stream: EngineStream, attr: { size?: number }) => void;
    fsync?: (stream: EngineStream) => number;
  };
  node_ops: {
    mknod: (parent: EngineNode, name: string, mode: number, dev: number) => EngineNode;
    setattr: (node: EngineNode, attr: { size?: number }) => void;
    rename: (node: EngineNode, folder: EngineNode, name: string) => void;
    unlink: (folder: EngineNode, name: string) => void;
    rmdir: (folder: EngineNode, name: string) => void;
  };
}
export interface EngineModule {
  FS: {
    filesystems: { NODEFS: EngineFiles };
    ErrnoError: new (errno: number) => Error;
    lookupNode: (folder: EngineNode, name: string) => EngineNode;
    destroyNode: (node: EngineNode) => void;
  };
}

const EIO = 29;

/** A file's bytes, or a folder's own entries (what was made, renamed and taken away in it), onto the disk. */
export function flush(at: string): void {
  const held = openSync(at, 'r');
  try {
    fsyncSync(held);
  } finally {
    closeSync(held);
  }
}

/** Everything below a folder, onto the disk: the engine begins a database without flushing it. */
export function flushTree(folder: string): void {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const at = join(folder, entry.name);
    if (entry.isDirectory()) flushTree(at);
    else if (entry.isFile()) flush(at);
  }
  flush(folder);
}

/** Gives a folder or file its lasting name, so that a power cut finds the old name or the new one, whole. */
export function renameForGood(from: string, to: string): void {
  renameSync(from, to);
  flush(dirname(to));
}

/**
 * Lets the engine flush. As it comes it is started without (`-F`), its file layer has no `fsync`, and puts
 * a file in another's place by taking that away first, which leaves a moment with neither.
 */
export function flushing({ FS }: EngineModule): void {
  const files = FS.filesystems.NODEFS;
  const orFail = (work: () => void) => {
    try {
      work();
    } catch {
      // The engine must stop here: what it wrote may be lost, and a second try would not tell.
      throw new FS.ErrnoError(EIO);
    }
  };
  files.stream_ops.fsync = ({ nfd }) => {
    orFail(() => fdatasyncSync(nfd));
    return 0;
  };
  files.node_ops.rename = (node, folder, name) => {
    const target = join(files.realPath(folder), name);
    let before: EngineNode | null = null;
    try {
      before = FS.lookupNode(folder, name);
    } catch {
      // Nothing of that name.
    }
    orFail(() => renameSync(files.realPath(node), target));
    if (before) FS.destroyNode(before);
    node.name = name;
  };
}

/** PGlite's own parameters without `-F`; `fdatasync` does nothing in its C library, `fsync` does. */
export const START_PARAMETERS = [
  '--single',
  '-O',
  '-j',
  ...[
    'search_path=public',
    'exit_on_error=false',
    'log_checkpoints=false',
    'max_worker_processes=0',
    'max_parallel_workers=0',
    'max_parallel_workers_per_gather=0',
    'max_parallel_maintenance_workers=0',
    'io_method=sync',
    // Documents are remembered by whoever reads them; twice as much is no quicker (measured).
    'shared_buffers=16MB',
    'fsync=on',
    'synchronous_commit=on',
    'full_page_writes=on',
    'wal_sync_method=fsync',
  ].flatMap((setting) => ['-c', setting]),
];
