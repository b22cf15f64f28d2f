package inkel.core.tune.colour;

import java.util.List;
import java.util.Optional;

/**
 * Two colours whose bands meet in every channel.
 *
 * @param apart by how many deviations the best channel tells them
 */
public record Mixing(String one, String other, double apart) {
    /** The pair that is told apart worst; empty where none mixes. */
    public static Optional<Mixing> worst(List<Band> bands) {
        Optional<Mixing> worst = Optional.empty();
        for (int i = 0; i < bands.size(); i++) {
            for (int j = i + 1; j < bands.size(); j++) {
                double apart = bands.get(i).apart(bands.get(j));
                boolean isWorse = bands.get(i).mixes(bands.get(j))
                        && worst.filter(so -> so.apart() <= apart).isEmpty();
                if (isWorse) {
                    worst = Optional.of(
                            new Mixing(bands.get(i).name(), bands.get(j).name(), apart));
                }
            }
        }
        return worst;
    }
}
