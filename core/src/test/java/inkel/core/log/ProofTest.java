package inkel.core.log;

import static org.junit.jupiter.api.Assertions.assertEquals;

import inkel.core.document.Build;
import inkel.core.document.Endpoint;
import inkel.core.document.Extras;
import inkel.core.document.LogLine;
import inkel.core.document.Place;
import inkel.core.document.Standing;
import inkel.core.document.edit.Exchange;
import inkel.core.document.edit.Feed;
import inkel.core.document.edit.SetPurpose;
import inkel.core.kit.Builds;
import java.time.Instant;
import org.junit.jupiter.api.Test;

class ProofTest {
    private static final String NODE = Builds.NODE;
    private static final Place SERVO = Place.ofPart(NODE, "servo");
    private static final Instant AT = Instant.parse("2026-05-09T19:04:00Z");

    private static Build build() throws Exception {
        Build build = Builds.classic()
                .part("bench", "bench-supply")
                .part("servo", "servo-micro", "V+=board.5V")
                .build();
        return new SetPurpose(NODE, "servo", "opens").apply(build);
    }

    private static Build seen(Build build, boolean isWell) {
        return build.withLog(build.log()
                .with(new LogLine.Seen(
                        AT, SERVO, "sign", isWell, "", LogLine.By.TYPED, Standing.of(build, SERVO), Extras.NONE)));
    }

    private static Proof.State state(Build build) {
        return Proof.of(build).stream()
                .filter(proof -> proof.part().equals(SERVO))
                .findFirst()
                .orElseThrow()
                .state();
    }

    @Test
    void theLatestLookSaysIt() throws Exception {
        assertEquals(Proof.State.NOT, state(build()));
        assertEquals(Proof.State.PROVED, state(seen(build(), true)));
        assertEquals(Proof.State.WRONG, state(seen(seen(build(), true), false)));
        Build back = seen(build(), true);
        back = back.withLog(back.log().with(new LogLine.TakenBack(AT, SERVO, 0, Extras.NONE)));
        assertEquals(Proof.State.NOT, state(back), "taken back");
    }

    @Test
    void itIsStaleOnceWhatItStoodOnIsAnotherOne() throws Exception {
        Build proved = seen(build(), true);
        assertEquals(Proof.State.STALE, state(new Feed(NODE, "servo", "V+", new Endpoint("bench", "+")).apply(proved)));
        Build other =
                new Exchange(NODE, "servo", Builds.CATALOG.find("servo-micro").orElseThrow()).apply(proved);
        assertEquals(Proof.State.STALE, state(other), "another piece of the same kind");
        // The same words again, of the new piece: it is that line which counts, and not the equal one before.
        assertEquals(Proof.State.PROVED, state(seen(other, true)));
    }
}
