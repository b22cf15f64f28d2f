package inkel.core.wake;

import inkel.core.catalog.WakeCheck;
import inkel.core.quantity.Fact;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.function.Predicate;

/** What is seen, heard or felt of a part while the board drives it. */
public final class DrivenSign {
    private DrivenSign() {}

    /**
     * @param isHeld whether the board itself holds another pin of the part meanwhile; what is tied is not told
     * @return empty for a sign that comes with the supply
     */
    public static Optional<Fact> of(WakeCheck.Sign sign, Predicate<String> isHeld) {
        return sign.drive().map(by -> {
            List<String> highs = held(sign, WakeCheck.To.HIGH, isHeld);
            List<String> lows = held(sign, WakeCheck.To.LOW, isHeld);
            return Fact.of("wake.driven" + (highs.isEmpty() ? "" : ".highs") + (lows.isEmpty() ? "" : ".lows"))
                    .with("sign", sense(sign))
                    .with("pin", by.pin())
                    .with("to", to(by))
                    .with("highs", highs)
                    .with("lows", lows);
        });
    }

    static Fact sense(WakeCheck.Sign sign) {
        return Fact.of("wake.sign." + word(sign.sense()));
    }

    private static Fact to(WakeCheck.Drive by) {
        return by.isOfOwnWidth() ? Fact.of("wake.to.pulses.of").with("width", by.width()) : to(by.to());
    }

    static Fact to(WakeCheck.To to) {
        return Fact.of("wake.to." + word(to));
    }

    private static String word(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }

    private static List<String> held(WakeCheck.Sign sign, WakeCheck.To to, Predicate<String> isHeld) {
        return sign.with().stream()
                .filter(other -> other.to() == to)
                .map(WakeCheck.Drive::pin)
                .filter(isHeld)
                .toList();
    }
}
