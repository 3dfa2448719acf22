package dev.deftchisel.navigation.declaration;

import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.List;
import java.util.Optional;
import java.util.stream.Stream;

/**
 * Where a symbol is declared, as far as the outline of its file tells, which takes no compiler: types, fields, and
 * methods and constructors that are not overloaded.
 */
public final class OutlinedDeclaration {

    private OutlinedDeclaration() {
    }

    /**
     * The name in the declaration; empty where only the compiler can tell, and for what no outline shows: components of
     * records, type parameters, locals.
     *
     * @param file that declares the symbol
     */
    public static Optional<Range> of(SymbolKey key, SourceFile file) {
        if (key instanceof SymbolKey.Type type) {
            return type(type, file).map(found -> found.member().nameRange());
        }
        if (key instanceof SymbolKey.Field field && field.owner() instanceof SymbolKey.Type owner) {
            return only(type(owner, file), field.name(), MemberOutline.Kind.FIELD, MemberOutline.Kind.ENUM_CONSTANT);
        }
        if (key instanceof SymbolKey.Method method && method.owner() instanceof SymbolKey.Type owner) {
            Optional<DeclarationTree> type = type(owner, file);
            return method.name().equals("<init>")
                    ? only(type, type.map(found -> found.member().name()).orElse(""), MemberOutline.Kind.CONSTRUCTOR)
                    : only(type, method.name(), MemberOutline.Kind.METHOD);
        }
        return Optional.empty();
    }

    private static Optional<DeclarationTree> type(SymbolKey.Type key, SourceFile file) {
        String home = file.header().packageName();
        String nested = home.isEmpty() ? key.binaryName() : key.binaryName().substring(home.length() + 1);
        List<DeclarationTree> declared = DeclarationTree.in(file);
        Optional<DeclarationTree> found = Optional.empty();
        for (String name : nested.split("\\$")) {
            found = declared.stream()
                    .filter(one -> one.member().kind().isType() && one.member().name().equals(name)).findFirst();
            if (found.isEmpty()) {
                return found;
            }
            declared = found.get().children();
        }
        return found;
    }

    private static Optional<Range> only(Optional<DeclarationTree> type, String name, MemberOutline.Kind... kinds) {
        List<MemberOutline> named = type.stream().flatMap(found -> found.children().stream())
                .map(DeclarationTree::member)
                .filter(member -> member.name().equals(name) && Stream.of(kinds).anyMatch(member.kind()::equals))
                .toList();
        return named.size() == 1 ? Optional.of(named.get(0).nameRange()) : Optional.empty();
    }
}
