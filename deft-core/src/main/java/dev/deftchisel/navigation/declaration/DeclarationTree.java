package dev.deftchisel.navigation.declaration;

import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.Deque;
import java.util.List;

/**
 * What a file declares, as a tree: types with their members.
 *
 * @param member   a declaration
 * @param children what is declared in it, in order
 */
public record DeclarationTree(MemberOutline member, List<DeclarationTree> children) {

    /** Copies the list. */
    public DeclarationTree {
        children = List.copyOf(children);
    }

    /** What is declared in a file outside of all types, in order; broken code gives what could be made out. */
    public static List<DeclarationTree> in(SourceFile file) {
        List<MemberOutline> members = file.outline().members().stream()
                .sorted(Comparator.comparingInt((MemberOutline member) -> member.range().start())
                        .thenComparingInt(member -> -member.range().end()))
                .toList();
        return within(new ArrayDeque<>(members), Integer.MAX_VALUE);
    }

    /** The simple name of the type that something is declared in, or its package; empty in the unnamed package. */
    public static String container(SourceFile file, MemberOutline member) {
        return file.outline().members().stream()
                .filter(other -> other != member && other.range().encloses(member.range()))
                .min(Comparator.comparingInt(other -> other.range().length()))
                .map(MemberOutline::name)
                .orElse(file.header().packageName());
    }

    private static List<DeclarationTree> within(Deque<MemberOutline> rest, int end) {
        List<DeclarationTree> found = new ArrayList<>();
        while (!rest.isEmpty() && rest.peek().range().end() <= end) {
            MemberOutline next = rest.pop();
            found.add(new DeclarationTree(next, within(rest, next.range().end())));
        }
        return found;
    }
}
