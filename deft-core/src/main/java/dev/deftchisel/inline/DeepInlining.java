package dev.deftchisel.inline;

import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.compiler.Focus;
import dev.deftchisel.analysis.symbol.Role;
import dev.deftchisel.analysis.symbol.Symbol;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.analysis.symbol.SymbolKind;
import dev.deftchisel.change.Change;
import dev.deftchisel.change.Composition;
import dev.deftchisel.change.Mapping;
import dev.deftchisel.inline.call.Callee;
import dev.deftchisel.operation.Place;
import dev.deftchisel.operation.Plan;
import dev.deftchisel.operation.Reason;
import dev.deftchisel.operation.ResolvedPlace;
import dev.deftchisel.rewrite.Opening;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.workspace.SourceFile;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * Goes on inlining the calls in what was written in place of a call, and so on, until none is left that can give way. A
 * method that calls itself in the end is refused.
 */
final class DeepInlining {

    /** So many more calls give way at most; a body that doubles at each level would go on for very long. */
    private static final int MOST_CALLS = 20;

    private final Analyst analyst;
    private final boolean opens;
    /** By method, those whose bodies lead to it, itself among them. */
    private final Map<SymbolKey, Set<SymbolKey>> chains = new HashMap<>();
    /** The names of calls that stay, where they stood at first. */
    private final Set<Origin> left = new HashSet<>();
    private final List<String> notes = new ArrayList<>();
    private final Map<Path, List<Range>> bodies = new HashMap<>();
    private final Map<Range, SymbolKey> owners = new HashMap<>();
    private final Set<String> names = new HashSet<>();
    private final Set<Path> files = new HashSet<>();

    /** @param opens whether what a method uses and a caller may not is opened */
    DeepInlining(Analyst analyst, boolean opens) {
        this.analyst = analyst;
        this.opens = opens;
    }

    /** A place before any change. */
    private record Origin(Path file, Range range) {
    }

    /** A call in the text that was written, and the method whose body it comes from. */
    private record Next(Path file, Range name, Origin origin, SymbolKey from) {
    }

    /** The whole of what {@code one} begins, which inlines a method. */
    Plan from(Plan.Ready one, Symbol method) {
        chains.put(method.key(), Set.of(method.key()));
        enter(one.before(), method);
        look(one.before().focus());
        Change change = one.change();
        for (int count = 0; count <= MOST_CALLS; count++) {
            Optional<Step> step = step(analyst.of(change.applyTo(analyst.snapshot())), change);
            if (step.isEmpty()) {
                break;
            } else if (count == MOST_CALLS) {
                notes.add("after " + MOST_CALLS + " more calls this is enough at once; others may give way in turn");
                break;
            } else if (step.get().recursion().isPresent()) {
                return Plan.refused(step.get().recursion().get());
            }
            change = Composition.of(change, step.get().change());
        }
        files.addAll(bodies.keySet());
        change.files().forEach(file -> files.add(file.path()));
        Analysis before = analyst.analyse(new Focus(files, names, Set.of(), bodies, true));
        for (String note : notes) {
            change = change.note(note);
        }
        return new Plan.Ready(new Opening(before).without(change, idle(change, before)), before);
    }

    /** What was opened to a body that then gave way itself. */
    private static Set<SymbolKey> idle(Change change, Analysis before) {
        Mapping mapping = change.mapping();
        return change.meaning().opened().stream()
                .filter(key -> before.uses(key).stream()
                        .allMatch(use -> mapping.copies(use.file(), use.range()).isEmpty()))
                .collect(Collectors.toSet());
    }

    /** The proof has to look at what each step looked at. */
    private void look(Focus focus) {
        files.addAll(focus.files());
        names.addAll(focus.names());
    }

    /** The next call that gives way, or that it comes back to itself. */
    private record Step(Change change, Optional<Reason> recursion) {
    }

    private Optional<Step> step(Analyst next, Change change) {
        List<Next> calls = calls(change);
        Map<Path, List<Range>> places = new HashMap<>();
        calls.forEach(call -> places.computeIfAbsent(call.file(), file -> new ArrayList<>()).add(call.name()));
        if (calls.isEmpty()) {
            return Optional.empty();
        }
        Analysis around = next.analyse(new Focus(places.keySet(), Set.of(), Set.of(), places, true));
        for (Next call : calls) {
            Optional<Symbol> called = around.bindings(call.file()).stream()
                    .filter(binding -> binding.isNamed() && binding.role() == Role.CALL && binding.range()
                            .equals(call.name()))
                    .flatMap(binding -> around.symbol(binding.key()).stream())
                    .filter(symbol -> symbol.isSource() && symbol.kind() == SymbolKind.METHOD)
                    .findFirst();
            if (called.isEmpty()) {
                left.add(call.origin());
                continue;
            }
            Set<SymbolKey> chain = chains.getOrDefault(call.from(), Set.of());
            if (chain.contains(called.get().key())) {
                return Optional.of(recursion(change, call, called.get()));
            }
            ResolvedPlace resolved = new ResolvedPlace(new Place(call.file(),
                    new Range(call.name().start(), call.name().start())),
                    next.snapshot().source(call.file()), around);
            Plan plan = new InlineMethod(resolved, called.get(), next).plan(true, true, opens);
            if (plan instanceof Plan.Ready ready) {
                Set<SymbolKey> longer = new HashSet<>(chain);
                longer.add(called.get().key());
                chains.merge(called.get().key(), longer, (one, other) -> {
                    Set<SymbolKey> both = new HashSet<>(one);
                    both.addAll(other);
                    return both;
                });
                enter(analyst.analyse(Focus.on(declaring(called.get()), Set.of(called.get().name()))), called.get());
                look(ready.before().focus());
                return Optional.of(new Step(ready.change(), Optional.empty()));
            }
            String why = ((Plan.Refused) plan).reasons().get(0).sentence();
            if (why.equals(Callee.CALLS_ITSELF)) {
                return Optional.of(recursion(change, call, called.get()));
            }
            left.add(call.origin());
            notes.add("the call of " + called.get().signature() + " stays: " + why);
        }
        return Optional.empty();
    }

    private static Step recursion(Change change, Next call, Symbol called) {
        return new Step(change, Optional.of(Reason.at(call.origin().file(), call.origin().range(),
                "this comes back to " + called.signature() + ", so that there is no last level")));
    }

    private Set<Path> declaring(Symbol method) {
        return analyst.declaring(method.key()).map(file -> Set.of(file.path())).orElse(Set.of());
    }

    /** Remembers where the body of a method stands, before any change. */
    private void enter(Analysis analysis, Symbol method) {
        names.add(method.name());
        analysis.declaration(method.key()).ifPresent(declared -> analysis.code(declared.file()).ifPresent(code ->
                code.members().stream().filter(member -> member.encloses(declared.range()))
                        .reduce((wide, narrow) -> narrow)
                        .ifPresent(member -> {
                            List<Range> known = bodies.computeIfAbsent(declared.file(), file -> new ArrayList<>());
                            if (!known.contains(member)) {
                                known.add(member);
                            }
                            owners.put(member, method.key());
                        })));
    }

    /** The names before a parenthesis in what was carried from bodies, in order. */
    private List<Next> calls(Change change) {
        List<Next> found = new ArrayList<>();
        Mapping mapping = change.mapping();
        for (Map.Entry<Path, List<Range>> entry : bodies.entrySet()) {
            SourceFile file = analyst.snapshot().source(entry.getKey());
            Tokens tokens = file.tokens();
            for (Range body : entry.getValue()) {
                for (int i = tokens.at(body.start()); i < tokens.count() && tokens.start(i) < body.end(); i++) {
                    Range range = tokens.range(i);
                    Origin origin = new Origin(entry.getKey(), range);
                    int behind = tokens.code(i + 1);
                    if (tokens.kind(i) == TokenKind.IDENTIFIER && behind < tokens.count() && tokens.is(behind, '(')
                            && !left.contains(origin)) {
                        mapping.copies(entry.getKey(), range).forEach(site ->
                                found.add(new Next(site.file(), site.range(), origin, owners.get(body))));
                    }
                }
            }
        }
        return found;
    }
}
