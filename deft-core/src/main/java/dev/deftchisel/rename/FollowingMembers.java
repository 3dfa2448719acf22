package dev.deftchisel.rename;

import dev.deftchisel.added.Added;
import dev.deftchisel.added.Additions;
import dev.deftchisel.analysis.Analysis;
import dev.deftchisel.analysis.Analyst;
import dev.deftchisel.analysis.symbol.SymbolKey;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import dev.deftchisel.source.outline.FileOutline;
import dev.deftchisel.source.outline.MemberOutline;
import dev.deftchisel.source.outline.TypeOutline;
import dev.deftchisel.workspace.SourceFile;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.TypeElement;

/**
 * Members that do not stand in the text and are called after what is renamed: an annotation processor adds them, and
 * will add others for the new name. What these are is computed on the text with the new name.
 *
 * @param members in the order in which they are added
 */
record FollowingMembers(List<Renamed> members) {

    /**
     * One that gets another name.
     *
     * @param owner  binary name of the type it is a member of
     * @param isType whether it is a nested type
     */
    record Renamed(String owner, boolean isType, String before, String after) {
    }

    /** What follows from a symbol when that is called otherwise. */
    static FollowingMembers of(SymbolKey symbol, String name, String newName, Analyst analyst) {
        Optional<SourceFile> file = analyst.declaring(symbol);
        Optional<Range> declared = file.flatMap(found -> declaration(symbol, name, found));
        if (declared.isEmpty() || analyst.added(file.get()).isEmpty()) {
            return new FollowingMembers(List.of());
        }
        Additions before = analyst.added(file.get());
        String content = file.get().content();
        String changed = content.substring(0, declared.get().start()) + newName
                + content.substring(declared.get().end());
        Additions after = analyst.snapshot().with(Map.of(file.get().path(), Optional.of(changed)), Map.of())
                .file(file.get().path()).map(analyst::added).orElse(Additions.NONE);
        String home = file.get().outline().packageName();
        List<Renamed> members = new ArrayList<>();
        for (int i = 0; i < Math.min(before.members().size(), after.members().size()); i++) {
            Additions.OfType type = before.members().get(i);
            List<Added> then = after.members().get(i).members();
            String owner = (home.isEmpty() ? "" : home + ".") + type.nestedName().replace('.', '$');
            for (int j = 0; j < Math.min(type.members().size(), then.size()); j++) {
                Added one = type.members().get(j);
                boolean isNamed = !one.name().isEmpty() && !then.get(j).name().isEmpty() && !one.role()
                        .equals("constructor");
                if (isNamed && !one.name().equals(then.get(j).name())) {
                    members.add(new Renamed(owner + (one.owner().isEmpty() ? "" : "$" + one.owner()), one.isType(),
                            one.name(), then.get(j).name()));
                }
            }
        }
        return new FollowingMembers(List.copyOf(members));
    }

    /** Where the name of a symbol is declared, as the tokens tell. */
    private static Optional<Range> declaration(SymbolKey symbol, String name, SourceFile file) {
        if (symbol instanceof SymbolKey.Local local) {
            return Optional.of(new Range(local.offset(), local.offset() + name.length()))
                    .filter(range -> file.content().startsWith(name, range.start()));
        } else if (symbol instanceof SymbolKey.Type type) {
            return type(file.outline(), type).map(TypeOutline::nameRange);
        } else if (symbol instanceof SymbolKey.Field field && field.owner() instanceof SymbolKey.Type owner) {
            FileOutline outline = file.outline();
            return type(outline, owner).flatMap(type -> outline.members().stream()
                    .filter(member -> member.nameRange().equals(type.nameRange())).findFirst())
                    .flatMap(type -> Stream.concat(fields(outline, type, name), components(file.tokens(), type, name))
                            .findFirst());
        }
        return Optional.empty();
    }

    private static Optional<TypeOutline> type(FileOutline outline, SymbolKey.Type wanted) {
        return outline.types().stream().filter(type -> outline.qualifiedName(type)
                .equals(wanted.binaryName().replace('$', '.'))).findFirst();
    }

    private static Stream<Range> fields(FileOutline outline, MemberOutline type, String name) {
        return outline.members().stream()
                .filter(member -> member.kind() == MemberOutline.Kind.FIELD && member.name().equals(name)
                        && type.range().encloses(member.range()))
                .filter(member -> outline.members().stream().noneMatch(other -> other != type && other.kind().isType()
                        && type.range().encloses(other.range()) && other.range().encloses(member.range())))
                .map(MemberOutline::nameRange);
    }

    private static Stream<Range> components(Tokens tokens, MemberOutline type, String name) {
        return type.kind() != MemberOutline.Kind.RECORD ? Stream.empty() : IntStream.range(0, tokens.count())
                .filter(i -> type.parameters().encloses(tokens.range(i)) && tokens.is(i, name))
                .filter(i -> tokens.is(tokens.code(i + 1), ',') || tokens.is(tokens.code(i + 1), ')'))
                .mapToObj(tokens::range);
    }

    boolean isEmpty() {
        return members.isEmpty();
    }

    /** All names, those of before and those to come. */
    List<String> names() {
        return members.stream().flatMap(member -> Stream.of(member.before(), member.after())).distinct().toList();
    }

    /** What they are called then, by what they are. */
    Map<SymbolKey, String> in(Analysis before) {
        Map<SymbolKey, String> names = new LinkedHashMap<>();
        for (Renamed member : members) {
            SymbolKey owner = new SymbolKey.Type(member.owner());
            if (member.isType()) {
                names.put(new SymbolKey.Type(member.owner() + "$" + member.before()), member.after());
                continue;
            }
            before.known(owner).map(Analysis.KnownElement::element).filter(TypeElement.class::isInstance).stream()
                    .flatMap(type -> type.getEnclosedElements().stream())
                    .filter(element -> element.getKind() == ElementKind.METHOD && element.getSimpleName()
                            .contentEquals(member.before()))
                    .map(Element.class::cast).map(before::key)
                    .filter(key -> before.declaration(key).isEmpty())
                    .forEach(key -> names.put(key, member.after()));
        }
        return names;
    }
}
