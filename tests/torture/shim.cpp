// A disk that can be full and can lose its power, laid under a process with LD_PRELOAD; no root is needed.
//
// FA_SHIM_DIR   only files in this folder are watched
// FA_SHIM_LOG   every change is written there, in order, with its bytes; the harness makes of it what a power cut would leave
// FA_SHIM_FULL  while this file exists, growing a file fails with ENOSPC once as many bytes as it says (0 where empty) are used up
//
// A record of the log: one byte kind, 4 bytes path length, path, 8 bytes offset or size, 4 bytes data length, data.
// W write, T truncate, S sync of a file, D sync of a folder, C create, U unlink, R rename (data is the new path).
#ifndef _GNU_SOURCE
#define _GNU_SOURCE
#endif
#include <dlfcn.h>
#include <errno.h>
#include <fcntl.h>
#include <limits.h>
#include <pthread.h>
#include <stdarg.h>
#include <stdint.h>
#include <stdio.h>
#include <stdlib.h>
#include <string.h>
#include <string>
#include <sys/stat.h>
#include <unistd.h>

namespace {
constexpr int kMost = 65536;
char *paths[kMost];
pthread_mutex_t lock = PTHREAD_MUTEX_INITIALIZER;
int log_fd = -2;
int64_t used_while_full = 0;

template <typename T> T real(const char *name) { return reinterpret_cast<T>(dlsym(RTLD_NEXT, name)); }
using write_t = ssize_t (*)(int, const void *, size_t);
write_t real_write() {
  static write_t f = real<write_t>("write");
  return f;
}

bool watched(const char *path) {
  static const char *dir = getenv("FA_SHIM_DIR");
  if (!dir || !path) return false;
  size_t n = strlen(dir);
  return strncmp(path, dir, n) == 0 && (path[n] == '/' || path[n] == 0);
}

std::string absolute(int at, const char *path) {
  if (path[0] == '/') return path;
  char base[PATH_MAX] = "";
  if (at == AT_FDCWD) {
    if (!getcwd(base, sizeof base)) return path;
  } else {
    char link[64];
    snprintf(link, sizeof link, "/proc/self/fd/%d", at);
    ssize_t n = readlink(link, base, sizeof base - 1);
    if (n < 0) return path;
    base[n] = 0;
  }
  return std::string(base) + "/" + path;
}

void record(char kind, const std::string &path, int64_t at, const void *data, uint32_t n) {
  if (log_fd == -2) {
    const char *name = getenv("FA_SHIM_LOG");
    static auto f = real<int (*)(const char *, int, ...)>("open");
    log_fd = name ? f(name, O_WRONLY | O_CREAT | O_APPEND | O_CLOEXEC, 0600) : -1;
  }
  if (log_fd < 0) return;
  uint32_t length = static_cast<uint32_t>(path.size());
  std::string out(1, kind);
  out.append(reinterpret_cast<char *>(&length), 4).append(path);
  out.append(reinterpret_cast<char *>(&at), 8).append(reinterpret_cast<char *>(&n), 4);
  if (n) out.append(static_cast<const char *>(data), n);
  const char *p = out.data();
  for (size_t left = out.size(); left > 0;) {
    ssize_t w = real_write()(log_fd, p, left);
    if (w <= 0) return;
    p += w;
    left -= static_cast<size_t>(w);
  }
}

const char *path_of(int fd) { return fd >= 0 && fd < kMost ? paths[fd] : nullptr; }

// Bytes that a write at an offset makes its file grow by.
int64_t growth(int fd, int64_t at, size_t n) {
  struct stat s;
  if (fstat(fd, &s) != 0) return 0;
  int64_t over = at + static_cast<int64_t>(n) - s.st_size;
  return over > 0 ? over : 0;
}

// Whether the disk has no room for so many bytes more.
bool full(int64_t more) {
  const char *name = getenv("FA_SHIM_FULL");
  if (!name || more == 0) return false;
  static auto f = real<int (*)(const char *, int, ...)>("open");
  int fd = f(name, O_RDONLY | O_CLOEXEC);
  if (fd < 0) {
    used_while_full = 0;
    return false;
  }
  char text[32] = "";
  ssize_t n = read(fd, text, sizeof text - 1);
  static auto close_ = real<int (*)(int)>("close");
  close_(fd);
  int64_t budget = n > 0 ? atoll(text) : 0;
  if (used_while_full + more > budget) return true;
  used_while_full += more;
  return false;
}

int opened(int fd, int at, const char *path, int flags, bool was_there) {
  if (fd < 0 || fd >= kMost) return fd;
  std::string whole = absolute(at, path);
  pthread_mutex_lock(&lock);
  free(paths[fd]);
  paths[fd] = nullptr;
  if (watched(whole.c_str()) && whole.find("-shm") == std::string::npos) {
    paths[fd] = strdup(whole.c_str());
    if ((flags & O_CREAT) && !was_there) record('C', whole, 0, nullptr, 0);
    if ((flags & O_TRUNC) && was_there) record('T', whole, 0, nullptr, 0);
  }
  pthread_mutex_unlock(&lock);
  return fd;
}

bool there(int at, const char *path) {
  struct stat s;
  return fstatat(at, path, &s, 0) == 0;
}
} // namespace

extern "C" {
#define OPEN(NAME, SIGNATURE, CALL, AT)                                                                                \
  int NAME SIGNATURE {                                                                                                 \
    mode_t mode = 0;                                                                                                   \
    if (flags & (O_CREAT | O_TMPFILE)) {                                                                               \
      va_list args;                                                                                                    \
      va_start(args, flags);                                                                                           \
      mode = va_arg(args, mode_t);                                                                                     \
      va_end(args);                                                                                                    \
    }                                                                                                                  \
    bool was = there(AT, path);                                                                                        \
    return opened(CALL, AT, path, flags, was);                                                                         \
  }
OPEN(open, (const char *path, int flags, ...), (real<int (*)(const char *, int, ...)>("open")(path, flags, mode)), AT_FDCWD)
OPEN(open64, (const char *path, int flags, ...), (real<int (*)(const char *, int, ...)>("open64")(path, flags, mode)), AT_FDCWD)
OPEN(openat, (int at, const char *path, int flags, ...), (real<int (*)(int, const char *, int, ...)>("openat")(at, path, flags, mode)), at)
OPEN(openat64, (int at, const char *path, int flags, ...), (real<int (*)(int, const char *, int, ...)>("openat64")(at, path, flags, mode)), at)

int close(int fd) {
  static auto f = real<int (*)(int)>("close");
  pthread_mutex_lock(&lock);
  if (fd >= 0 && fd < kMost && paths[fd]) {
    free(paths[fd]);
    paths[fd] = nullptr;
  }
  pthread_mutex_unlock(&lock);
  return f(fd);
}

static ssize_t wrote(int fd, const void *data, int64_t at, ssize_t done) {
  if (done > 0 && path_of(fd)) {
    pthread_mutex_lock(&lock);
    if (path_of(fd)) record('W', path_of(fd), at, data, static_cast<uint32_t>(done));
    pthread_mutex_unlock(&lock);
  }
  return done;
}

ssize_t write(int fd, const void *data, size_t n) {
  if (!path_of(fd)) return real_write()(fd, data, n);
  int64_t at = lseek(fd, 0, SEEK_CUR);
  if (full(growth(fd, at, n))) {
    errno = ENOSPC;
    return -1;
  }
  return wrote(fd, data, at, real_write()(fd, data, n));
}

#define PWRITE(NAME, OFFSET)                                                                                           \
  ssize_t NAME(int fd, const void *data, size_t n, OFFSET at) {                                                        \
    static auto f = real<ssize_t (*)(int, const void *, size_t, OFFSET)>(#NAME);                                       \
    if (!path_of(fd)) return f(fd, data, n, at);                                                                       \
    if (full(growth(fd, at, n))) {                                                                                     \
      errno = ENOSPC;                                                                                                  \
      return -1;                                                                                                       \
    }                                                                                                                  \
    return wrote(fd, data, at, f(fd, data, n, at));                                                                    \
  }
PWRITE(pwrite, off_t)
PWRITE(pwrite64, off64_t)

#define TRUNCATE(NAME, SIZE)                                                                                           \
  int NAME(int fd, SIZE size) {                                                                                        \
    static auto f = real<int (*)(int, SIZE)>(#NAME);                                                                   \
    int done = f(fd, size);                                                                                            \
    if (done == 0 && path_of(fd)) {                                                                                    \
      pthread_mutex_lock(&lock);                                                                                       \
      record('T', path_of(fd), size, nullptr, 0);                                                                      \
      pthread_mutex_unlock(&lock);                                                                                     \
    }                                                                                                                  \
    return done;                                                                                                       \
  }
TRUNCATE(ftruncate, off_t)
TRUNCATE(ftruncate64, off64_t)

static int synced(int fd, int done) {
  if (done == 0 && path_of(fd)) {
    struct stat s;
    bool folder = fstat(fd, &s) == 0 && S_ISDIR(s.st_mode);
    pthread_mutex_lock(&lock);
    record(folder ? 'D' : 'S', path_of(fd), 0, nullptr, 0);
    pthread_mutex_unlock(&lock);
  }
  return done;
}
int fsync(int fd) {
  static auto f = real<int (*)(int)>("fsync");
  return synced(fd, f(fd));
}
int fdatasync(int fd) {
  static auto f = real<int (*)(int)>("fdatasync");
  return synced(fd, f(fd));
}

int unlink(const char *path) {
  static auto f = real<int (*)(const char *)>("unlink");
  std::string whole = absolute(AT_FDCWD, path);
  int done = f(path);
  if (done == 0 && watched(whole.c_str())) {
    pthread_mutex_lock(&lock);
    record('U', whole, 0, nullptr, 0);
    pthread_mutex_unlock(&lock);
  }
  return done;
}

int rename(const char *from, const char *to) {
  static auto f = real<int (*)(const char *, const char *)>("rename");
  std::string a = absolute(AT_FDCWD, from), b = absolute(AT_FDCWD, to);
  int done = f(from, to);
  if (done == 0 && watched(b.c_str())) {
    pthread_mutex_lock(&lock);
    record('R', a, 0, b.data(), static_cast<uint32_t>(b.size()));
    for (auto &p : paths)
      if (p && a == p) {
        free(p);
        p = strdup(b.c_str());
      }
    pthread_mutex_unlock(&lock);
  }
  return done;
}
}
