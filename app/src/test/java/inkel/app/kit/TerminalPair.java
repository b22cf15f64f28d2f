package inkel.app.kit;

import static org.junit.jupiter.api.Assumptions.assumeTrue;

import java.io.BufferedReader;
import java.io.FileInputStream;
import java.io.FileOutputStream;
import java.io.IOException;
import java.io.InputStreamReader;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.concurrent.CompletableFuture;
import java.util.concurrent.TimeUnit;

/** Two pseudo terminals that are joined: one is the port, at the other sits who stands in for a board. */
public final class TerminalPair implements AutoCloseable {
    private final Path port;
    private final Path board;
    private Process socat;

    /** Held open: what has come in is gone once nobody has that end open. */
    private BufferedReader heard;

    /** Skips the test where the machine cannot make such a pair. */
    public TerminalPair(Path folder) throws Exception {
        port = folder.resolve("port");
        board = folder.resolve("board");
        plug();
    }

    /** Joins them; again, after {@link #pull}. */
    public void plug() throws Exception {
        try {
            socat = new ProcessBuilder("socat", "pty,raw,echo=0,link=" + port, "pty,raw,echo=0,link=" + board).start();
        } catch (IOException missing) {
            assumeTrue(false, "no socat: serial ports are not tried over pseudo terminals");
        }
        for (int i = 0; i < 100 && !(Files.exists(port) && Files.exists(board)); i++) {
            Thread.sleep(50);
        }
        assumeTrue(Files.exists(port), "socat makes no pseudo terminals here: serial ports are not tried");
        heard = new BufferedReader(new InputStreamReader(new FileInputStream(board.toFile()), StandardCharsets.UTF_8));
    }

    /** Takes both away, as when a cable is pulled. */
    public void pull() throws InterruptedException {
        socat.destroy();
        socat.waitFor(5, TimeUnit.SECONDS);
        try {
            heard.close();
        } catch (IOException gone) {
            throw new UncheckedIOException(gone);
        }
    }

    public String port() {
        return port.toString();
    }

    /** The board prints. */
    public void print(String text) throws IOException {
        print(text.getBytes(StandardCharsets.UTF_8));
    }

    public void print(byte[] bytes) throws IOException {
        try (OutputStream out = new FileOutputStream(board.toFile())) {
            out.write(bytes);
        }
    }

    /** The next line that the board gets; waits for it, but not for ever. */
    public String hear() throws Exception {
        BufferedReader from = heard;
        return CompletableFuture.supplyAsync(() -> line(from)).get(60, TimeUnit.SECONDS);
    }

    private static String line(BufferedReader from) {
        try {
            return from.readLine();
        } catch (IOException pulled) {
            throw new UncheckedIOException(pulled);
        }
    }

    @Override
    public void close() throws InterruptedException {
        pull();
    }
}
