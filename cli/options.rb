# frozen_string_literal: true

require 'yaml'

module Fujin
  # The flags that several commands share, read into values with the flag's name in each error.
  class Options
    # Flags that stand for a setting of the manoeuvre.
    SETTING_FLAGS = { bank_deg: 'bank_deg', power_limit_pct: 'power_limit_pct' }.freeze

    attr_reader :rest, :values

    def initialize(argv)
      @values = { settings: {}, faults: {} }
      @parser = OptionParser.new { |parser| define(parser) }
      @rest = @parser.parse(argv)
    end

    def [](name) = @values[name]
    def json? = @values[:json]

    def type
      id = self[:aircraft] or
        raise CommandLine::Usage, '--aircraft is missing: give a type id or the path of a type file'
      @type ||= Aircraft::Library.find(id)
    end

    def conditions
      Planning::Conditions.build(
        type: type,
        people: self[:people] || 'dual',
        mass_kg: self[:mass_kg],
        wind: wind || Wind.calm,
        elevation_ft: self[:elevation_ft] || 0.0,
        oat_c: self[:oat_c],
        qnh_hpa: self[:qnh_hpa] || 1013.25
      )
    end

    def wind = self[:wind] && Wind.parse(self[:wind], path: '--wind')

    # A school's rules of `--standards FILE`, by manoeuvre and measure, in place of the usual ones.
    # @return [Hash{String => Grading::Standard}] by manoeuvre
    # @raise [InvalidInput] naming the file, the manoeuvre and the measure
    def standards
      return {} unless self[:standards]

      table(self[:standards], 'rules by manoeuvre and measure').to_h do |id, rules|
        usual = Catalogue.find(id).standard
        raise InvalidInput, [{ path: id, message: 'expected rules by measure' }] unless rules.is_a?(Hash)

        [id, usual.with("#{usual.version}, #{File.basename(self[:standards])}", rules)]
      end
    end

    # House settings of `--set` and `--house FILE`; other names of `--set` stay in #settings.
    def house
      from_file = self[:house] ? table(self[:house], 'a table of house settings') : {}
      Planning::HouseMethod.new(from_file.merge(self[:settings].slice(*Planning::HouseMethod::NAMES)))
    end

    # Settings that a manoeuvre takes, of `--set` and the flags that stand for one.
    # @param err [IO] told of a flag that plays no part
    # @raise [UnknownName]
    def settings_for(manoeuvre, err)
      given = self[:settings].except(*Planning::HouseMethod::NAMES)
      unknown = given.keys - manoeuvre.settings
      unless unknown.empty?
        raise UnknownName,
              "--set knows no #{unknown.join(', ')} for #{manoeuvre.id}: use " \
                "#{(manoeuvre.settings + Planning::HouseMethod::NAMES).join(', ')}"
      end

      SETTING_FLAGS.select { |flag, _| self[flag] }.each do |flag, name|
        if manoeuvre.settings.include?(name)
          given[name] = self[flag]
        else
          err.puts "fujin: --#{flag.to_s.tr('_', '-')} plays no part in #{manoeuvre.id} and was not used"
        end
      end
      given
    end

    # What a device's own headings mean, from `--headings FILE.yml`: a list of heading, channel and unit.
    def headings
      return nil unless self[:headings]

      told = YAML.safe_load_file(self[:headings])
      valid = told.is_a?(Array) && told.all? { |row| row.is_a?(Hash) && row['heading'].is_a?(String) }
      unless valid
        raise InvalidInput, [{ path: self[:headings], message: 'expected a list of heading, channel and unit' }]
      end

      Recordings::Headings.new(told)
    rescue Psych::Exception => e
      raise InvalidInput, [{ path: self[:headings], message: "is not readable as YAML: #{e.message}" }]
    end

    def spot
      return nil unless self[:spot]

      parts = self[:spot].split(',').map { |part| Float(part, exception: false) }
      valid = parts.size == 2 && parts.all? && parts[0].between?(-90, 90) && parts[1].between?(-180, 180)
      unless valid
        raise InvalidInput, [{ path: '--spot', message: "expected LAT,LON in degrees, got #{self[:spot].inspect}" }]
      end

      parts
    end

    private

    # What a YAML file holds.
    # @return [Hash]
    # @raise [InvalidInput] naming the file and what is expected of it
    def table(file, expected)
      found = YAML.safe_load_file(file)
      found.is_a?(Hash) ? found : raise(InvalidInput, [{ path: file, message: "expected #{expected}" }])
    rescue Psych::Exception => e
      raise InvalidInput, [{ path: file, message: "is not readable as YAML: #{e.message}" }]
    end

    def define(parser)
      parser.on('--json') { @values[:json] = true }
      parser.on('--one-change') { @values[:one_change] = true }
      %w[aircraft wind spot out house standards key headings exercise code withdrawn at use terrain].each do |name|
        parser.on("--#{name} VALUE") { |v| @values[name.to_sym] = v }
      end
      %w[
        mass-kg oat-c qnh-hpa elevation-ft height-ft bank-deg power-limit-pct gate-ft course rate-hz noise shear flights
        twins from-ft power-check hottest-oat-c
      ].each { |name| parser.on("--#{name} N", Float) { |v| @values[name.tr('-', '_').to_sym] = v } }
      parser.on('--people WHO', %w[solo dual]) { |v| @values[:people] = v }
      parser.on('--stage STAGE', Grading::Standard::STAGES) { |v| @values[:stage] = v }
      parser.on('--seed N', Integer) { |v| @values[:seed] = v }
      parser.on('--set NAME=VALUE') { |v| pair(v, :settings, '--set') }
      parser.on('--fault NAME=VALUE') { |v| pair(v, :faults, '--fault') }
    end

    def pair(text, into, flag)
      name, value = text.split('=', 2)
      raise CommandLine::Usage, "#{flag} expects NAME=VALUE, got #{text.inspect}" if value.nil? || name.empty?

      @values[into][name] = Float(value, exception: false) || value
    end
  end
end
