/** The words of the operating system for what went wrong, without its codes. */
export function reasonOf(error: unknown): string {
  const code = error instanceof Error && "code" in error ? String(error.code) : "";
  const words: Readonly<Record<string, string>> = {
    EACCES: "permission denied",
    EPERM: "permission denied",
    EISDIR: "it is a folder",
    ENOTDIR: "a part of the path is no folder",
    ENOENT: "no such file",
    ENOSPC: "the disk is full",
    EROFS: "the file system is read only",
    ELOOP: "its symbolic links go in a circle",
    EMFILE: "too many open files",
    ENAMETOOLONG: "its name is too long",
    EEXIST: "there is a file of that name",
    EPIPE: "nobody reads it",
    ERR_FS_FILE_TOO_LARGE: "it is too large",
  };
  return words[code] ?? (error instanceof Error ? error.message : String(error));
}
