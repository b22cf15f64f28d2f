package inkel.core.capture;

import inkel.core.quantity.Fact;
import java.util.ArrayList;
import java.util.List;

/** Gathers what could not be read; of thousands alike the first few say enough. */
final class Problems {
    private static final int MOST = 20;

    private final List<Capture.Problem> all = new ArrayList<>();
    private long left;

    void add(long line, Fact why) {
        if (all.size() < MOST) {
            all.add(new Capture.Problem(line, why));
        } else {
            left++;
        }
    }

    List<Capture.Problem> all() {
        if (left > 0) {
            all.add(new Capture.Problem(0, Fact.of("capture.more").with("count", left)));
            left = 0;
        }
        return all;
    }
}
