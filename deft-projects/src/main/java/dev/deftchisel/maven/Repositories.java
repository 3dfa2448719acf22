package dev.deftchisel.maven;

import dev.deftchisel.maven.settings.MavenSettings;
import dev.deftchisel.workspace.Library;
import dev.deftchisel.workspace.SourceRoot;
import java.nio.file.Path;
import java.util.ArrayList;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import org.apache.maven.model.Dependency;
import org.apache.maven.model.Model;
import org.apache.maven.model.Repository;
import org.apache.maven.model.building.DefaultModelBuilderFactory;
import org.apache.maven.model.building.DefaultModelBuildingRequest;
import org.apache.maven.model.building.ModelBuilder;
import org.apache.maven.model.building.ModelBuildingException;
import org.apache.maven.model.building.ModelBuildingRequest;
import org.apache.maven.model.building.StringModelSource;
import org.apache.maven.repository.internal.ArtifactDescriptorUtils;
import org.apache.maven.repository.internal.MavenRepositorySystemUtils;
import org.eclipse.aether.DefaultRepositoryCache;
import org.eclipse.aether.DefaultRepositorySystemSession;
import org.eclipse.aether.RepositorySystem;
import org.eclipse.aether.RepositorySystemSession;
import org.eclipse.aether.artifact.Artifact;
import org.eclipse.aether.artifact.ArtifactProperties;
import org.eclipse.aether.artifact.ArtifactType;
import org.eclipse.aether.artifact.DefaultArtifact;
import org.eclipse.aether.artifact.DefaultArtifactType;
import org.eclipse.aether.collection.CollectRequest;
import org.eclipse.aether.graph.DependencyNode;
import org.eclipse.aether.graph.Exclusion;
import org.eclipse.aether.repository.LocalRepository;
import org.eclipse.aether.repository.RemoteRepository;
import org.eclipse.aether.repository.WorkspaceReader;
import org.eclipse.aether.resolution.ArtifactResult;
import org.eclipse.aether.resolution.DependencyRequest;
import org.eclipse.aether.resolution.DependencyResolutionException;
import org.eclipse.aether.resolution.DependencyResult;
import org.eclipse.aether.resolution.VersionRangeResolutionException;
import org.eclipse.aether.supplier.RepositorySystemSupplier;
import org.eclipse.aether.util.graph.selector.AndDependencySelector;
import org.eclipse.aether.util.graph.selector.ExclusionDependencySelector;
import org.eclipse.aether.util.graph.selector.OptionalDependencySelector;
import org.eclipse.aether.util.graph.selector.ScopeDependencySelector;
import org.eclipse.aether.util.graph.transformer.ChainedDependencyGraphTransformer;
import org.eclipse.aether.util.graph.transformer.ConflictResolver;
import org.eclipse.aether.util.graph.transformer.JavaScopeDeriver;
import org.eclipse.aether.util.graph.transformer.JavaScopeSelector;
import org.eclipse.aether.util.graph.transformer.SimpleOptionalitySelector;
import org.eclipse.aether.util.repository.ChainedWorkspaceReader;

/** The local repository of this machine and, when allowed, the remote ones a project names. */
public final class Repositories {

    private final RepositorySystem system;
    private final DefaultRepositorySystemSession session;
    private final MavenSettings settings;
    private final UnreadModels unread;
    private final ModelBuilder builder = new DefaultModelBuilderFactory().newInstance();
    private final RememberedModels models = new RememberedModels();

    private Repositories(RepositorySystem system, DefaultRepositorySystemSession session, MavenSettings settings,
            UnreadModels unread) {
        this.system = system;
        this.session = session;
        this.settings = settings;
        this.unread = unread;
    }

    /**
     * @param settings where to look
     * @param online   whether anything may be fetched
     */
    static Repositories open(MavenSettings settings, boolean online) {
        RepositorySystem system = new RepositorySystemSupplier().get();
        DefaultRepositorySystemSession session = MavenRepositorySystemUtils.newSession();
        // which remote repository a file once came from does not matter for reading it
        String type = online ? "default" : "simple";
        session.setLocalRepositoryManager(
                system.newLocalRepositoryManager(session,
                        new LocalRepository(settings.localRepository().toFile(), type)));
        session.setWorkspaceReader(new LocalVersions(settings.localRepository()));
        settings.applyTo(session);
        session.setOffline(!online);
        // a snapshot would be copied to a file without its time, in the user's repository
        session.setConfigProperty("aether.artifactResolver.snapshotNormalization", false);
        // profiles in the models of libraries ask which Java it is; without an answer a model cannot be read at all
        session.setSystemProperties(System.getProperties());
        session.setCache(new DefaultRepositoryCache());
        UnreadModels unread = new UnreadModels();
        session.setRepositoryListener(unread);
        session.setDependencySelector(new AndDependencySelector(
                new ScopeDependencySelector("test", "provided"),
                new OptionalDependencySelector(),
                new ExclusionDependencySelector()));
        return new Repositories(system, session, settings, unread);
    }

    /**
     * For builds in which of several versions the newest is taken.
     *
     * @param online whether anything may be fetched
     * @param cache  where else artifacts may be on this machine
     */
    public static Repositories withNewest(boolean online, WorkspaceReader cache) {
        Repositories repositories = open(MavenSettings.ofThisUser(), online);
        repositories.lookIn(cache);
        repositories.session.setDependencyGraphTransformer(new ChainedDependencyGraphTransformer(
                new ConflictResolver(new NewestVersion(), new JavaScopeSelector(), new SimpleOptionalitySelector(),
                        new JavaScopeDeriver())));
        return repositories;
    }

    /** Has it look somewhere else first. */
    void lookIn(WorkspaceReader before) {
        session.setWorkspaceReader(ChainedWorkspaceReader.newInstance(before,
                new LocalVersions(settings.localRepository())));
    }

    /** Where the local one is. */
    public Path folder() {
        return settings.localRepository();
    }

    /** The resolver. */
    public RepositorySystem system() {
        return system;
    }

    /** What it is asked with. */
    public RepositorySystemSession session() {
        return session;
    }

    /** The model of a project with everything it inherits. */
    public Model effectiveModel(Path pom) throws ModelBuildingException {
        DefaultModelBuildingRequest request = new DefaultModelBuildingRequest();
        request.setPomFile(pom.toFile());
        return effectiveModel(request);
    }

    /** What a project has that says nothing itself, such as the remote repository Maven looks in. */
    public Model standardModel() throws ModelBuildingException {
        DefaultModelBuildingRequest request = new DefaultModelBuildingRequest();
        request.setModelSource(new StringModelSource("<project><modelVersion>4.0.0</modelVersion>"
                + "<groupId>deft</groupId><artifactId>standard</artifactId><version>1</version></project>"));
        return effectiveModel(request);
    }

    private Model effectiveModel(DefaultModelBuildingRequest request) throws ModelBuildingException {
        request.setProcessPlugins(false);
        request.setValidationLevel(ModelBuildingRequest.VALIDATION_LEVEL_MINIMAL);
        request.setLocationTracking(true);
        request.setSystemProperties(MavenSettings.systemProperties());
        request.setUserProperties(settings.config().properties());
        request.setProfiles(settings.profiles());
        request.setActiveProfileIds(settings.activeProfiles());
        request.setInactiveProfileIds(settings.config().without());
        request.setModelResolver(new ParentResolver(this, List.of()));
        request.setModelCache(models);
        return builder.build(request).getEffectiveModel();
    }

    /**
     * The class files a project needs.
     *
     * @param libraries those found
     * @param reactor   those that the build itself makes, as the reader of the workspace knows them
     * @param missing   coordinates of those not found
     */
    public record ClassPath(List<Library> libraries, List<Made> reactor, List<String> missing) {

        /** Nothing. */
        public static final ClassPath EMPTY = new ClassPath(List.of(), List.of(), List.of());
    }

    /**
     * What the build itself makes.
     *
     * @param artifact as it is needed
     * @param use      the code that needs it
     */
    public record Made(Artifact artifact, SourceRoot.Use use) {

        /** Whether it is made of test code. */
        boolean isTests() {
            return artifact.getClassifier().equals("tests");
        }
    }

    /** Main code is compiled without what is only needed for tests, or when the program runs. */
    private static SourceRoot.Use use(ArtifactResult artifact) {
        DependencyNode node = artifact.getRequest().getDependencyNode();
        String scope = node == null || node.getDependency() == null ? "" : node.getDependency().getScope();
        return scope.equals("test") || scope.equals("runtime") ? SourceRoot.Use.TEST : SourceRoot.Use.MAIN;
    }

    /** Resolves dependencies of every scope, with what they need themselves. */
    ClassPath classPath(Model model) {
        return classPath(new DefaultArtifact(model.getGroupId(), model.getArtifactId(), "pom", model.getVersion()),
                model.getDependencies().stream().map(this::converted).toList(), managed(model),
                remotes(model.getRepositories()));
    }

    /** The versions that a model says for whatever needs a library. */
    public List<org.eclipse.aether.graph.Dependency> managed(Model model) {
        return model.getDependencyManagement() == null ? List.of()
                : model.getDependencyManagement().getDependencies().stream().map(this::converted).toList();
    }

    /**
     * Resolves dependencies with what they need themselves.
     *
     * @param root    what needs them
     * @param managed versions to be taken wherever a library is needed
     */
    public ClassPath classPath(Artifact root, List<org.eclipse.aether.graph.Dependency> dependencies,
            List<org.eclipse.aether.graph.Dependency> managed, List<RemoteRepository> remotes) {
        CollectRequest collect = new CollectRequest();
        collect.setRootArtifact(root);
        dependencies.forEach(collect::addDependency);
        managed.forEach(collect::addManagedDependency);
        remotes.forEach(collect::addRepository);
        Set<Library> libraries = new LinkedHashSet<>();
        List<Made> reactor = new ArrayList<>();
        Set<String> missing = new LinkedHashSet<>();
        DependencyResult result;
        try {
            result = system.resolveDependencies(session, new DependencyRequest(collect, null));
        } catch (DependencyResolutionException incomplete) {
            result = incomplete.getResult();
            result.getCollectExceptions().forEach(why -> unresolved(why).ifPresent(missing::add));
        }
        missing.addAll(unread.take());
        for (ArtifactResult artifact : result.getArtifactResults()) {
            if (!artifact.isResolved()) {
                missing.add(shown(artifact.getRequest().getArtifact()));
            } else if (Reactor.isMadeHere(artifact.getArtifact())) {
                reactor.add(new Made(artifact.getArtifact(), use(artifact)));
            } else {
                libraries.add(new Library(artifact.getArtifact().getFile().toPath(), shown(artifact.getArtifact()),
                        use(artifact)));
            }
        }
        return new ClassPath(List.copyOf(libraries), List.copyOf(reactor), List.copyOf(missing));
    }

    /**
     * A range of versions in which none is here; whatever else goes wrong is a model that was not read, which is said
     * already.
     */
    private static Optional<String> unresolved(Exception why) {
        return Optional.of(why).filter(VersionRangeResolutionException.class::isInstance)
                .map(VersionRangeResolutionException.class::cast)
                .map(range -> shown(range.getResult().getRequest().getArtifact()));
    }

    /** The remote repositories of a model, by the mirrors, proxies and passwords of the user. */
    public List<RemoteRepository> remotes(List<Repository> named) {
        return system.newResolutionRepositories(session, named.stream().map(ArtifactDescriptorUtils::toRemoteRepository)
                .toList());
    }

    /** {@code group:artifact:version}, with what is unusual about it. */
    static String shown(Artifact artifact) {
        String classifier = artifact.getClassifier().isEmpty() ? "" : ":" + artifact.getClassifier();
        String extension = artifact.getExtension().equals("jar") ? "" : "@" + artifact.getExtension();
        return artifact.getGroupId() + ":" + artifact.getArtifactId() + ":" + artifact.getVersion() + classifier
                + extension;
    }

    /** As the resolver wants it. */
    public org.eclipse.aether.graph.Dependency converted(Dependency dependency) {
        String type = Optional.ofNullable(dependency.getType()).orElse("jar");
        ArtifactType known = Optional.ofNullable(session.getArtifactTypeRegistry().get(type))
                .orElseGet(() -> new DefaultArtifactType(type));
        Map<String, String> place = dependency.getSystemPath() == null ? Map.of()
                : Map.of(ArtifactProperties.LOCAL_PATH, dependency.getSystemPath());
        List<Exclusion> exclusions = dependency.getExclusions().stream()
                .map(one -> new Exclusion(one.getGroupId(), one.getArtifactId(), "*", "*"))
                .toList();
        return new org.eclipse.aether.graph.Dependency(
                new DefaultArtifact(dependency.getGroupId(), dependency.getArtifactId(), dependency.getClassifier(),
                        null,
                        dependency.getVersion(), place, known),
                dependency.getScope(), dependency.isOptional(), exclusions);
    }
}
