package dev.deftchisel.analysis;

import dev.deftchisel.added.Added;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.TokenKind;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.Words;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.Collections;
import java.util.Comparator;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;

/**
 * The names one of which stands in every file that uses a member: where a type is not named, an expression has it only
 * by way of something else that is declared with it. So many more files have a {@code size} than can have an expression
 * of the type whose {@code size()} is meant.
 *
 * <p>A member that other files see carries a type when it is declared with it or returns it (JLS 8.3, 8.4), or takes
 * lambdas that get it. A type carries another one when its header
 * names it, since members that it inherits have it for an argument (JLS 4.5.2), when it is a record with it among its
 * components, which a pattern may take apart (JLS 14.30.1), and when it is an interface of few methods that take it, of
 * which a lambda may be made whose parameters have no type (JLS 15.27.1). Members added by annotations carry what their
 * declarations name. Names are not resolved: there may be more, never fewer.
 */
public final class ReceiverNames {

    /** With so many names nearly every file has one. */
    private static final int MOST = 1500;
    /** An interface of which a lambda is made has one method to implement, and maybe some that Object has, too. */
    private static final int MOST_METHODS = 3;
    private static final Set<MemberOutline.Kind> CALLED = Set.of(MemberOutline.Kind.METHOD, MemberOutline.Kind.FIELD,
            MemberOutline.Kind.ENUM_CONSTANT);

    private final Analyst analyst;
    private final Snapshot snapshot;
    private final Set<String> types = new HashSet<>();
    /** Those types of which a lambda may be made. */
    private final Set<String> lambdaTypes = new HashSet<>();
    private final Set<Carrier> members = new HashSet<>();

    /** @param owner simple name of the type that declares it */
    private record Carrier(String owner, String name) {
    }

    private ReceiverNames(Analyst analyst) {
        this.analyst = analyst;
        this.snapshot = analyst.snapshot();
    }

    /**
     * For a member of a type, whatever overrides it or is overridden by it included.
     *
     * @param type   simple name of the type that declares it
     * @param member its name
     * @return empty when there are too many
     */
    public static Optional<Set<String>> of(String type, String member, Analyst analyst) {
        ReceiverNames names = new ReceiverNames(analyst);
        names.types.addAll(names.withSubtypes(Set.of(type)));
        names.addRelated(member);
        return names.grow() ? Optional.of(names.all()) : Optional.empty();
    }

    /** A member of a type that is among them is used where that one is named, or what carries it. */
    private Set<String> all() {
        Set<String> all = new HashSet<>(types);
        members.stream().filter(member -> !types.contains(member.owner())).forEach(member -> all.add(member.name()));
        return all;
    }

    private Set<String> withSubtypes(Set<String> names) {
        Set<String> all = new HashSet<>(names);
        new Subtypes(snapshot).of(names).values().forEach(found -> found.forEach(type -> all.add(type.name())));
        return all;
    }

    /** What is above one of the types and declares such a member, too, with what is below that. */
    private void addRelated(String member) {
        boolean grown = true;
        while (grown) {
            Set<String> above = above(types);
            above.removeAll(types);
            above.removeIf(name -> naming(Set.of(name)).stream().noneMatch(file -> declares(file, name, member)));
            grown = types.addAll(withSubtypes(above));
        }
    }

    private Set<String> above(Set<String> names) {
        Set<String> all = new HashSet<>();
        Set<String> latest = names;
        while (!latest.isEmpty()) {
            Set<String> below = latest;
            latest = naming(below).stream().flatMap(file -> file.outline().types().stream())
                    .filter(type -> below.contains(type.name()))
                    .flatMap(type -> type.supers().stream())
                    .filter(all::add).collect(Collectors.toSet());
        }
        return all;
    }

    private List<SourceFile> naming(Set<String> names) {
        return snapshot.files().stream()
                .filter(file -> !Collections.disjoint(file.header().headerNames(), names)).toList();
    }

    private static boolean declares(SourceFile file, String type, String member) {
        return file.outline().members().stream()
                .anyMatch(one -> one.name().equals(member) && owner(file, one).equals(type));
    }

    /** Until no more types carry one of those that were found; false when there are too many. */
    private boolean grow() {
        Set<String> latest = Set.copyOf(types);
        while (!latest.isEmpty()) {
            Set<String> carried = latest;
            Set<String> more = new HashSet<>();
            snapshot.files().parallelStream().filter(file -> Words.isAnyAmong(carried, file.content())).toList()
                    .forEach(file -> more.addAll(carrying(file, carried)));
            more.removeAll(types);
            Set<String> added = withSubtypes(more);
            added.removeAll(types);
            types.addAll(added);
            latest = added;
            if (types.size() + members.size() > MOST) {
                return false;
            }
        }
        return true;
    }

    /** Adds the members of a file that carry one of the types, and returns its types that do. */
    private Set<String> carrying(SourceFile file, Set<String> carried) {
        Set<String> found = new HashSet<>();
        Tokens tokens = file.tokens();
        for (MemberOutline member : file.outline().members()) {
            if (member.kind() == MemberOutline.Kind.INTERFACE && isTaking(file, member, carried)) {
                lambdaTypes.add(member.name());
                found.add(member.name());
            } else if (member.kind().isType() && names(tokens, header(tokens, member), carried)) {
                if (!Collections.disjoint(tokens.names(header(tokens, member)), lambdaTypes)) {
                    lambdaTypes.add(member.name());
                }
                found.add(member.name());
            } else if (CALLED.contains(member.kind()) && isCarrying(tokens, member, carried)) {
                members.add(new Carrier(owner(file, member), member.name()));
            }
        }
        for (Added added : analyst.added(file).members().stream().flatMap(type -> type.members().stream()).toList()) {
            boolean isCarrying = added.text().isEmpty() || Words.isAnyAmong(carried, added.text());
            if (isCarrying && added.isType()) {
                found.add(added.name());
            } else if (isCarrying) {
                members.add(new Carrier("", added.name()));
            }
        }
        return found;
    }

    private static String owner(SourceFile file, MemberOutline member) {
        return file.outline().members().stream()
                .filter(type -> type.kind().isType() && type != member && type.range().encloses(member.range()))
                .min(Comparator.comparingInt(type -> type.range().length()))
                .map(MemberOutline::name).orElse("");
    }

    private boolean isCarrying(Tokens tokens, MemberOutline member, Set<String> carried) {
        Range header = header(tokens, member);
        if (tokens.text(tokens.at(header.start())).equals("private")) {
            return false;
        } else if (isFurtherVariable(tokens, member)) {
            return true;
        } else if (member.kind() != MemberOutline.Kind.METHOD) {
            return names(tokens, header, carried);
        }
        Range parameters = member.parameters();
        return names(tokens, new Range(header.start(), parameters.start()), carried)
                || names(tokens, new Range(parameters.end(), Math.max(parameters.end(), header.end())), carried)
                || isTakingLambdas(tokens, parameters, carried);
    }

    /** Whether a parameter has one of the types for an argument of its type, or is one of which a lambda is made. */
    private boolean isTakingLambdas(Tokens tokens, Range parameters, Set<String> carried) {
        int depth = 0;
        for (int token = tokens.at(parameters.start()); token < tokens.count()
                && tokens.start(token) < parameters.end(); token++) {
            if (tokens.kind(token) == TokenKind.IDENTIFIER) {
                String name = tokens.name(token);
                if (lambdaTypes.contains(name) || depth > 0 && carried.contains(name)) {
                    return true;
                }
            }
            depth += tokens.is(token, '<') ? 1 : 0;
            depth -= tokens.is(token, '>') ? 1 : 0;
        }
        return false;
    }

    private static boolean names(Tokens tokens, Range header, Set<String> carried) {
        return !Collections.disjoint(tokens.names(header), carried);
    }

    /** From the start to the brace that opens a body, if there is one; all of what a field is set to counts, too. */
    private static Range header(Tokens tokens, MemberOutline member) {
        int depth = 0;
        for (int token = tokens.at(member.range().start()); token < tokens.count()
                && tokens.start(token) < member.range().end(); token++) {
            if (tokens.kind(token) == TokenKind.SYMBOL) {
                depth += tokens.is(token, '(') ? 1 : 0;
                depth -= tokens.is(token, ')') ? 1 : 0;
                if (depth == 0 && tokens.is(token, '{') && member.kind() != MemberOutline.Kind.FIELD) {
                    return new Range(member.range().start(), tokens.start(token));
                }
            }
        }
        return member.range();
    }

    /** {@code Vessel first, second;}: the type stands with another one. */
    private static boolean isFurtherVariable(Tokens tokens, MemberOutline member) {
        int before = tokens.codeBefore(tokens.at(member.range().start()) - 1);
        return member.kind() == MemberOutline.Kind.FIELD && before >= 0 && tokens.is(before, ',');
    }

    /** Whether an interface with few methods to implement has one with a parameter of one of the types. */
    private static boolean isTaking(SourceFile file, MemberOutline type, Set<String> carried) {
        List<MemberOutline> inside = file.outline().members().stream()
                .filter(member -> member != type && type.range().encloses(member.range())).toList();
        List<MemberOutline> open = inside.stream()
                .filter(member -> member.kind() == MemberOutline.Kind.METHOD)
                .filter(member -> file.content().charAt(member.range().end() - 1) == ';')
                .filter(member -> inside.stream().noneMatch(other -> other.kind().isType()
                        && other.range().encloses(member.range())))
                .toList();
        return open.size() <= MOST_METHODS
                && open.stream().anyMatch(member -> names(file.tokens(), member.parameters(), carried));
    }
}
