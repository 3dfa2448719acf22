package dev.deftchisel.navigation;

import dev.deftchisel.navigation.declaration.DeclarationTree;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.Snapshot;
import dev.deftchisel.workspace.SourceFile;
import java.util.Comparator;
import java.util.List;
import java.util.stream.Stream;

/** Finds what is declared anywhere by a part of its name, without the compiler. */
public final class Finder {

    private final Snapshot snapshot;

    /** @param snapshot where to look */
    public Finder(Snapshot snapshot) {
        this.snapshot = snapshot;
    }

    /**
     * Something that goes with what was typed.
     *
     * @param container the type or package that it is declared in; empty in the unnamed package
     */
    public record NameMatch(SourceFile file, MemberOutline member, String container) {
    }

    private record Ranked(SourceFile file, MemberOutline member, int match) {
    }

    /**
     * The declarations that go with it: those that do best, types before members, short names before long ones.
     *
     * @param typed see {@link InitialsMatcher}; empty for all
     * @param most  how many at most
     */
    public List<NameMatch> find(String typed, int most) {
        InitialsMatcher initials = new InitialsMatcher(typed);
        return snapshot.files().parallelStream()
                .flatMap(file -> ranked(file, initials))
                .sorted(Comparator.comparingInt((Ranked one) -> -one.match())
                        .thenComparing(one -> !one.member().kind().isType())
                        .thenComparingInt(one -> one.member().name().length())
                        .thenComparing(one -> one.member().name())
                        .thenComparing(one -> one.file().path())
                        .thenComparingInt(one -> one.member().range().start()))
                .limit(most)
                .map(one -> new NameMatch(one.file(), one.member(),
                        DeclarationTree.container(one.file(), one.member())))
                .toList();
    }

    private static Stream<Ranked> ranked(SourceFile file, InitialsMatcher initials) {
        return file.outline().members().stream()
                .filter(member -> member.kind() != MemberOutline.Kind.CONSTRUCTOR)
                .map(member -> new Ranked(file, member, initials.match(member.name())))
                .filter(one -> one.match() != InitialsMatcher.NONE);
    }
}
