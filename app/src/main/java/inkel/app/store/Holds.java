package inkel.app.store;

import inkel.app.lane.Trouble;
import java.io.IOException;
import java.nio.channels.FileChannel;
import java.nio.channels.FileLock;
import java.nio.channels.OverlappingFileLockException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.nio.file.StandardOpenOption;
import java.util.HashMap;
import java.util.Map;

/** Locks on files that say what this run has open; the system gives them up when a run ends, however it ends. */
final class Holds {
    private final Map<Path, FileChannel> held = new HashMap<>();

    /** @return whether no other run has it; true too where the system knows no locks */
    synchronized boolean take(Path lock) {
        if (held.containsKey(lock)) {
            return true;
        }
        FileChannel channel = null;
        try {
            channel = FileChannel.open(lock, StandardOpenOption.CREATE, StandardOpenOption.WRITE);
            FileLock taken = channel.tryLock();
            if (taken == null) {
                channel.close();
                return false;
            }
            held.put(lock, channel);
            return true;
        } catch (OverlappingFileLockException sameRun) {
            close(channel);
            return true;
        } catch (IOException noLocks) {
            close(channel);
            Trouble.minor(Holds.class, "no lock", noLocks);
            return true;
        }
    }

    /** Whether any run, this one too, has it. */
    synchronized boolean isTaken(Path lock) {
        if (held.containsKey(lock)) {
            return true;
        }
        if (!Files.exists(lock)) {
            return false;
        }
        boolean isFree = take(lock);
        release(lock);
        return !isFree;
    }

    synchronized void release(Path lock) {
        // The file itself stays: somebody else may just be taking it.
        close(held.remove(lock));
    }

    private static void close(FileChannel channel) {
        try {
            if (channel != null) {
                channel.close();
            }
        } catch (IOException failed) {
            Trouble.minor(Holds.class, "a lock was not closed", failed);
        }
    }
}
