# frozen_string_literal: true

module Fujin
  # A lesson that a student flies alone, against what was allowed.
  class SoloLesson
    # A report of the station says something about a lesson so near to it.
    NEAR_S = 2 * 3600
    # A lesson is taken to last so long where it is not known.
    LASTS_S = 3600

    # @param sortie [Sortie], @param changed [Hash] laid over it
    def initialize(sortie, changed = {})
      @sortie = sortie
      @changed = changed
      @school = School.current
    end

    def solo? = @changed.fetch('people_aboard', @sortie.people_aboard) == 'solo' && @sortie.student.learner?

    # What stands against it, of the authority that fits best.
    # @return [Array<String>] nothing when it is all within one
    def outside
      return [] unless solo?

      in_force = SoloAuthority.in_force.where(student_id: @sortie.student_id).map(&:value)
      return [Text.of('%{student} has no solo authority in force', student: @sortie.student.name)] if in_force.empty?

      misses = in_force.map { |one| one.against(lesson) }
      misses.find(&:empty?) || misses.min_by(&:size)
    end

    # What of it nobody has answered for: all that is outside, but for what the chief instructor said go to.
    # @return [Array<String>]
    def unanswered = outside - answered

    # A lesson that may go stays so only as long as it is within what was allowed: changed since, it is decided again.
    # @param by [Person] who changed it
    def recall(by)
      return unless @sortie.go_decision == 'go' && !flown?

      open = unanswered
      return if open.empty?

      @sortie.update!(go_decision: nil, go_reason: nil)
      AuditEntry.note('go taken back', @sortie, by: by, became: { 'outside' => open })
    end

    # The chief instructor answers for what is outside.
    def answer(by, why)
      AuditEntry.note(ANSWERED, @sortie, by: by, became: { 'outside' => outside }, why: why)
    end

    ANSWERED = 'solo outside its authority'
    private_constant :ANSWERED

    private

    def flown? = !@sortie.off_at.nil? || @sortie.attempts.exists?

    def answered
      last = AuditEntry.latest.find_by(subject_kind: 'sortie', subject_id: @sortie.id, what: ANSWERED)
      last ? last.became['outside'] : []
    end

    def lesson
      from = @sortie.starts_at
      Solo::Lesson.new(
        exercises: @sortie.exercises.map(&:manoeuvre).uniq, places: @sortie.exercises.map(&:spot_name).uniq,
        aircraft_id: @changed.fetch('aircraft_id', @sortie.aircraft_id), day: @school.day_of(from),
        daylight: daylight?(from), **wind, **weather(from)
      )
    end

    def daylight?(from)
      [from, from + LASTS_S].all? { |time| Sun.new(time, *@sortie.exercises.first.spot).up? }
    end

    def wind
      setting = SortieSetting.new(@sortie, @changed)
      wind = setting.wind
      return { wind_kt: nil, gust_kt: nil, crosswind_kt: nil } unless wind

      across = @sortie.exercises.filter_map { |one| one.course_deg && wind.crosswind_kt(one.course_deg).abs }
      { wind_kt: wind.speed_kt, gust_kt: wind.gust_kt || wind.speed_kt, crosswind_kt: across.max || wind.speed_kt }
    end

    def weather(from)
      near = WeatherReport.where(station: @school.station, observed_at: (from - NEAR_S)..(from + NEAR_S))
        .min_by { |row| (row.observed_at - from).abs }
      { visibility_m: near&.readings&.fetch('visibility_m', nil),
        cloud_base_ft: near&.readings&.fetch('cloud_base_ft', nil) }
    end
  end
end
