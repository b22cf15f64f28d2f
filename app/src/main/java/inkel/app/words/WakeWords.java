package inkel.app.words;

import inkel.core.catalog.PartClass;
import inkel.core.catalog.WakeCheck;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Fact;
import inkel.core.wake.DrivenSign;
import java.util.List;
import java.util.Locale;
import java.util.Optional;
import java.util.stream.Stream;

/** What tells that a part is alive, in words. */
public final class WakeWords {
    private WakeWords() {}

    /** What may be read, and which bits of it count where not all do. */
    public static String values(List<String> values, Optional<Long> mask) {
        String all = String.join(" / ", values);
        return mask.map(bits -> Words.say(
                        Fact.of("wake.masked").with("values", all).with("mask", Engineering.hexadecimal(bits))))
                .orElse(all);
    }

    public static String say(WakeCheck check) {
        if (check instanceof WakeCheck.Identity identity) {
            return Words.say(Fact.of(identity.isNamed() ? "wake.identity.named" : "wake.identity")
                    .with("at", identity.register())
                    .with("expect", values(identity.values(), identity.asking().mask())));
        } else if (check instanceof WakeCheck.Idle idle) {
            return Words.get(idle.isHigh() ? "wake.idle_high" : "wake.idle_low", "at", idle.pin());
        } else if (check instanceof WakeCheck.Reply reply) {
            return Words.say(Fact.of(reply.say().isEmpty() ? "wake.speaks" : "wake.reply")
                    .with("at", reply.say())
                    .with("expect", reply.expect()));
        } else if (check instanceof WakeCheck.Pulses pulses) {
            return Words.say(Fact.of("wake.pulses")
                    .with("at", pulses.pin())
                    .with("least", pulses.width().lowest())
                    .with("most", pulses.width().highest()));
        } else if (check instanceof WakeCheck.Volts volts) {
            return Words.say(Fact.of(volts.calm().isPresent() ? "wake.volts.calm" : "wake.volts")
                    .with("at", volts.pin())
                    .with("least", volts.range().lowest())
                    .with("most", volts.range().highest())
                    .with("calm", volts.calm().map(WakeWords::calm).orElse("")));
        } else if (check instanceof WakeCheck.Rests rests) {
            return Words.say(Fact.of(rests.calm().isPresent() ? "wake.rests.calm" : "wake.rests")
                    .with("at", rests.pin())
                    .with("least", rests.share().lowest())
                    .with("most", rests.share().highest())
                    .with("calm", rests.calm().map(WakeWords::calm).orElse("")));
        } else if (check instanceof WakeCheck.Codes codes) {
            return Words.get("wake.codes", "at", codes.pin());
        } else if (check instanceof WakeCheck.Moves moves) {
            return Words.say(Fact.of("wake.moves")
                    .with("at", moves.pin())
                    .with("when", Words.get("wake.when." + key(moves.when()))));
        } else if (check instanceof WakeCheck.Sign sign) {
            return sign(sign);
        }
        return Words.get("wake.answers");
    }

    /** How a part is left while a pin of it is measured; empty where that makes no difference. */
    static Optional<String> calm(PartClass cls, String pin) {
        return cls.handling().checks().stream()
                .filter(check -> check.pins().contains(pin))
                .flatMap(check -> check instanceof WakeCheck.Rests rests
                        ? rests.calm().stream()
                        : check instanceof WakeCheck.Volts volts ? volts.calm().stream() : Stream.empty())
                .map(WakeWords::calm)
                .findFirst();
    }

    private static String calm(WakeCheck.Calm calm) {
        return Words.get("wake.calm." + key(calm));
    }

    private static String sign(WakeCheck.Sign sign) {
        return DrivenSign.of(sign, pin -> true)
                .map(Words::say)
                .orElseGet(() -> Words.get("wake.sign." + key(sign.sense())));
    }

    private static String key(Enum<?> word) {
        return word.name().toLowerCase(Locale.ROOT);
    }
}
