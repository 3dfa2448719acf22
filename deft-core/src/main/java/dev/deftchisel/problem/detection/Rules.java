package dev.deftchisel.problem.detection;

import dev.deftchisel.problem.Rule;
import dev.deftchisel.problem.RuleDescription;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.ServiceLoader;

/** The rules there are. */
public final class Rules {

    private final List<Rule> all;
    private final Map<Rule, RuleDescription> abouts = new HashMap<>();

    /**
     * @param all what is looked for
     * @throws IllegalArgumentException when two rules have the same id, or one does not say what it is
     */
    public Rules(List<Rule> all) {
        all.forEach(rule -> abouts.put(rule, rule.about()));
        this.all = all.stream().sorted(Comparator.comparing(rule -> abouts.get(rule).id())).toList();
        Map<String, Rule> byId = new HashMap<>();
        for (Rule rule : this.all) {
            RuleDescription about = abouts.get(rule);
            Rule twin = byId.put(about.id(), rule);
            if (twin != null) {
                throw new IllegalArgumentException("two rules are called '" + about.id() + "': " + twin.getClass()
                        .getName()
                        + " and " + rule.getClass().getName());
            }
            if (!about.id().matches("[a-z][a-z0-9]*(-[a-z0-9]+)*") || about.title().isBlank() || rule.kinds()
                    .isEmpty()) {
                throw new IllegalArgumentException("the rule " + rule.getClass().getName()
                        + " must have an id in kebab-case, a title, and a kind of tree to look at");
            }
        }
    }

    /** The rules on the class path. */
    public static Rules installed() {
        List<Rule> found = new ArrayList<>();
        ServiceLoader.load(Rule.class, Rules.class.getClassLoader()).forEach(found::add);
        return new Rules(found);
    }

    /** All of them, by id. */
    public List<Rule> all() {
        return all;
    }

    /** What they say of themselves, by id. */
    public List<RuleDescription> abouts() {
        return all.stream().map(abouts::get).toList();
    }

    RuleDescription about(Rule rule) {
        return abouts.get(rule);
    }

    /** A rule that somebody may have meant by a word which names none. */
    public Optional<String> near(String word) {
        return abouts().stream().map(RuleDescription::id).filter(id -> id.contains(word) || word.contains(id))
                .findFirst();
    }

    /** The rule of an id. */
    public Optional<RuleDescription> named(String id) {
        return abouts().stream().filter(about -> about.id().equals(id)).findFirst();
    }
}
