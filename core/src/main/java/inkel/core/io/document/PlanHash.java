package inkel.core.io.document;

import inkel.core.document.Build;
import inkel.core.document.Logbook;
import inkel.core.document.Node;
import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;
import java.util.HexFormat;

/**
 * A short name for a plan, so that paper, code and board can be told to be of the same one: the first eight digits of
 * SHA-256 over the build as it is written, without its record and without what is plugged and where it sits.
 */
public final class PlanHash {
    private static final int DIGITS = 8;

    private PlanHash() {}

    public static String of(Build build) {
        Build plan = build.withLog(Logbook.EMPTY)
                .withNodes(build.nodes().stream().map(Node::planned).toList());
        try {
            byte[] hash = MessageDigest.getInstance("SHA-256")
                    .digest(BuildWriter.print(plan).getBytes(StandardCharsets.UTF_8));
            return HexFormat.of().formatHex(hash).substring(0, DIGITS);
        } catch (NoSuchAlgorithmException missing) {
            throw new IllegalStateException("every Java has SHA-256", missing);
        }
    }
}
