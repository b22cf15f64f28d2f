package inkel.core.drawer;

import inkel.core.formula.PitchFit;
import inkel.core.quantity.Engineering;
import inkel.core.quantity.Length;
import inkel.core.quantity.Unit;
import java.util.Optional;
import java.util.regex.Matcher;
import java.util.regex.Pattern;

/**
 * A board that carries a bare chip of two sides and brings its legs out in the raster of breadboards.
 *
 * @param pads of both sides together
 * @param pitch of the pads
 * @param pad width of a pad; where it is not told, half the pitch, as such boards are usually made
 */
public record Adapter(int pads, Length pitch, Optional<Length> pad) {
    private static final Pattern WRITTEN = Pattern.compile("(\\d{1,3}) (?:pads|legs) at (.+?)(?: of (.+))?");
    private static final int MOST = 200;

    /** In metres; finer and coarser is no pitch of a chip. */
    private static final double FINEST = 1e-4;

    private static final double COARSEST = 1e-2;

    /** Reads {@code 16 pads at 0.65 mm of 0.35 mm}; the width may be left out. */
    public static Optional<Adapter> parse(String text) {
        Matcher written = WRITTEN.matcher(text.strip());
        if (!written.matches()) {
            return Optional.empty();
        }
        int pads = Integer.parseInt(written.group(1));
        Optional<Length> pitch = length(written.group(2));
        Optional<Length> pad = Optional.ofNullable(written.group(3)).flatMap(Adapter::length);
        boolean isWhole =
                pads > 0 && pads <= MOST && pitch.isPresent() && (written.group(3) == null || pad.isPresent());
        return isWhole ? Optional.of(new Adapter(pads, pitch.get(), pad)) : Optional.empty();
    }

    private static Optional<Length> length(String text) {
        return Engineering.parse(text, Unit.METRE)
                .filter(value -> value >= FINEST && value <= COARSEST)
                .map(Length::ofMetres);
    }

    /** One that is made for a chip. */
    public static Adapter madeFor(int legs, Length pitch) {
        return new Adapter(legs, pitch, Optional.empty());
    }

    public Item item() {
        String text = pads + " pads at " + Engineering.print(pitch);
        return new Item(
                Item.Sort.ADAPTER,
                pad.map(width -> text + " of " + Engineering.print(width)).orElse(text),
                0);
    }

    /** How a chip, told by the adapter that is made for it, lies on this one. */
    public PitchFit carries(Adapter chip) {
        return PitchFit.of(
                (chip.pads + 1) / 2,
                chip.pitch.metres(),
                pads / 2,
                pitch.metres(),
                pad.orElse(Length.ofMetres(pitch.metres() / 2)).metres());
    }
}
