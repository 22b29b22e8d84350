# frozen_string_literal: true

module Fujin
  module Sites
    # Something that stands or lies around the usable ground.
    #
    # rings      Array of closed rings (the first the outside, others holes); one ring of a point's crown
    # line       Array of points of something long, nil for an area or a point
    # top        Height above the site's datum, nil where it is not known
    # base_m     ground it stands on, above the datum
    # place_m    how far it may be from where it is drawn
    Obstacle =
      Value.define(:id, :what, :rings, :line, :radius_m, :top, :base_m, :place_m, :ends, :status, :pass, :by, :at) do
        # Ground, never an obstacle of an angle.
        self::GROUND = %w[edge ridge].freeze
        # Without a top: they bar the ground itself.
        self::FLAT = %w[water people animals loose].freeze
        # What shelters: stands wide across the wind and gives turbulence behind it.
        self::SHELTERS = %w[trees building ridge].freeze
        self::KINDS = %w[tree trees wire pole mast building fence edge ridge water people animals loose].freeze

        def there? = status != 'not_there'
        def open? = status == 'open'
        def wire? = what == 'wire'
        def ground? = self.class::GROUND.include?(what)
        def flat? = self.class::FLAT.include?(what)
        # Stands in the way of a disc or a path.
        def stands? = there? && !ground? && !flat?
        def point? = line.nil? && radius_m

        # Stretches that bound it.
        def stretches = line ? line.each_cons(2).to_a : rings.flat_map { |ring| Plane.edges(ring) }

        # Least horizontal distance from a point, 0 inside; metres, as drawn.
        def distance_m(from)
          return [(from - rings[0][0]).abs - radius_m, 0.0].max if point?
          return 0.0 if line.nil? && Plane.inside?(rings, from)

          stretches.map { |a, b| Plane.to_segment(from, a, b) }.min
        end

        # Does a stretch of the ground lie within so far of it?
        def distance_from_stretch_m(from, to)
          return [Plane.to_segment(rings[0][0], from, to) - radius_m, 0.0].max if point?
          return 0.0 if line.nil? && [from, to].any? { |end_| Plane.inside?(rings, end_) }

          stretches.map { |a, b| Plane.between(a, b, from, to) }.min
        end

        # Height over the ground it stands on, metres; nil when not known.
        def stands_m = top && (top.value - base_m)
      end
  end
end
