package inkel.core.diagnosis;

import inkel.core.bench.Asked;
import inkel.core.bench.Foreseen;
import inkel.core.bench.Question;
import inkel.core.bench.Rehearsal;
import inkel.core.bench.Rehearsals;
import inkel.core.bench.Scene;
import inkel.core.bench.Twist;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Optional;

/** One form of a hypothesis, and what it foresees so far. */
final class Trial {
    /** So many states are kept, since the next question is mostly about one of them. */
    private static final int STATES = 6;

    final Hypothesis hypothesis;
    final double logOdds;

    private final Twist twist;
    private final Map<Asked, Optional<Foreseen>> foreseen = new HashMap<>();
    private final Map<Asked, Double> rough = new HashMap<>();
    private final Map<Scene, Rehearsal> states = new LinkedHashMap<>() {
        @Override
        protected boolean removeEldestEntry(Map.Entry<Scene, Rehearsal> eldest) {
            return size() > STATES;
        }
    };

    Trial(Hypothesis hypothesis, Twist twist) {
        this.hypothesis = hypothesis;
        this.twist = twist;
        logOdds = Math.log(hypothesis.odds() / hypothesis.forms().size());
    }

    private Rehearsal state(Scene scene, Rehearsals rehearsals) {
        return states.computeIfAbsent(scene, key -> rehearsals.at(scene, twist));
    }

    /** What is told without any volts hangs on the twist alone. */
    private Optional<Foreseen> plain(Asked asked) {
        return twist.withoutPower(asked.question()).map(Foreseen.Certain::new);
    }

    /** Empty when no currents settle. */
    Optional<Foreseen> foreseen(Asked asked, Rehearsals rehearsals) {
        Optional<Foreseen> known = foreseen.get(asked);
        if (known == null) {
            known = plain(asked).or(() -> state(asked.scene(), rehearsals).of(asked.question()));
            foreseen.put(asked, known);
        }
        return known;
    }

    /** An amount in less time; not a number where there is none. */
    double roughly(Asked asked, Rehearsals rehearsals) {
        return rough.computeIfAbsent(asked, key -> roughly(state(asked.scene(), rehearsals), asked.question()));
    }

    /** Finds the amount for later, and keeps nothing else. */
    void expect(Asked asked, Rehearsals rehearsals) {
        rough.computeIfAbsent(asked, key -> {
            Rehearsal known = states.get(asked.scene());
            return roughly(known == null ? rehearsals.at(asked.scene(), twist) : known, asked.question());
        });
    }

    private static double roughly(Rehearsal state, Question question) {
        return state.roughly(question).orElse(Double.NaN);
    }

    /** Lets go of what takes room, and can be thought through again. */
    void rest() {
        states.clear();
    }
}
